using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Puts the views that go out by themselves into the outbox on their days, once each.</summary>
public sealed class MailedViewScheduling(Books books, OutboxDesk outbox)
{
    /// <summary>
    /// Puts those into the outbox whose day the business date is. Gives those that could not be put there, with the reason: the
    /// others go all the same.
    /// </summary>
    public IReadOnlyList<(string Name, string Why)> Look()
    {
        if (books.Read(MailedViewStore.All).Count == 0)
            return [];
        var (today, due) = books.Read(c =>
        {
            var rules = Rules.Of(c, CompanyStore.BusinessDate(CompanyStore.Settings(c), books.Clock));
            return (rules.Today, MailedViewStore.Due(c, rules.Today, rules.Calendar));
        });
        var failed = new List<(string, string)>();
        foreach (var view in due)
            try
            {
                books.Write(
                    RunScheduling.By,
                    tx => MailedViewStore.Went(tx, view.Id, today) ? outbox.Queue(tx, view.View) : 0
                );
            }
            catch (RefusedException e)
            {
                failed.Add((view.View.Name, e.Message));
            }

        return failed;
    }
}
