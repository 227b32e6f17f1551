namespace KiteLine.Core;

/// <summary>Money that is expected of an item, or of a part of it.</summary>
/// <param name="Item">Its identifier.</param>
/// <param name="On">When; null where nobody knows.</param>
/// <param name="Minor">In minor units.</param>
public sealed record ExpectedCash(
    BookAccount Account,
    long Item,
    DateOnly Due,
    DateOnly? On,
    CashCertainty Certainty,
    long Minor
)
{
    // What is later than usual is not expected sooner than in a week.
    private const int LeastWait = 7;

    /// <summary>
    /// What is expected of an account, by what the books showed at the end of a day, the item due first first. Credits are
    /// taken off the items due first; a promise covers those due first of what is left.
    /// </summary>
    public static IEnumerable<ExpectedCash> Of(BookAccount account, DateOnly day, BusinessCalendar calendar)
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(calendar);
        account = account.WithDuesOn(day);
        var open = new List<(int At, long Open)>(account.Items.Length);
        var credits = 0L;
        for (var i = 0; i < account.Items.Length; i++)
        {
            var amount = account.OpenAsShown(account.Items[i], day);
            if (amount > 0)
                open.Add((i, amount));
            else
                credits -= amount;
        }

        if (open.Count == 0)
            yield break;
        open.Sort((a, b) => account.Items[a.At].Due.CompareTo(account.Items[b.At].Due));
        var late = (int)Math.Round(DaysLate.Of(account, day) ?? 0, MidpointRounding.AwayFromZero);
        var handedOver = CollectionCase.On(account, day) is not null;
        // What is promised is used up by the oldest items, the promise due first first.
        PromiseStanding[] promised = [.. PromiseLedger.On(account, day, calendar).Open];
        var (n, used) = (0, 0L);
        foreach (var (at, amount) in open)
        {
            var (item, left) = (account.Items[at], amount);
            ExpectedCash Part(long minor, DateOnly? on, CashCertainty certainty) =>
                new(account, account.ItemIds[at], item.Due, on, certainty, minor);
            var disputed = account.Disputes.Count == 0 ? 0 : account.DisputedAt(at, amount, day);
            if (disputed > 0)
                yield return Part(disputed, null, CashCertainty.Disputed);
            left -= disputed;
            var credit = Math.Min(left, credits);
            (left, credits) = (left - credit, credits - credit);
            if (left > 0 && handedOver)
            {
                yield return Part(left, null, CashCertainty.HandedOver);
                continue;
            }

            while (left > 0 && n < promised.Length)
            {
                var covered = Math.Min(left, promised[n].Missing - used);
                yield return Part(covered, promised[n].Promise.DueOn, CashCertainty.Promised);
                (left, used) = (left - covered, used + covered);
                if (used == promised[n].Missing)
                    (n, used) = (n + 1, 0);
            }

            if (left <= 0)
                continue;
            var usual = item.Due.AddDays(late);
            yield return usual > day
                ? Part(left, calendar.Adjust(usual, BusinessDayRule.Next), CashCertainty.Usual)
                : Part(
                    left,
                    calendar.Adjust(
                        day.AddDays(Math.Max(LeastWait, day.DayNumber - usual.DayNumber)),
                        BusinessDayRule.Next
                    ),
                    CashCertainty.Late
                );
        }
    }

    /// <summary>
    /// What is expected of accounts in a week, and with a certainty, or in all, the largest amounts first: how many there are,
    /// and those of a page.
    /// </summary>
    /// <param name="week">Counted from 0; null for any, and for none.</param>
    public static (int Total, IReadOnlyList<ExpectedCash> Page) Of(
        IReadOnlyList<BookAccount> accounts,
        DateOnly day,
        BusinessCalendar calendar,
        int? week,
        CashCertainty? certainty,
        int skip,
        int take
    )
    {
        ArgumentNullException.ThrowIfNull(accounts);
        var found = new Largest();
        for (var a = 0; a < accounts.Count; a++)
        {
            var at = 0;
            foreach (var cash in Of(accounts[a], day, calendar))
            {
                if (
                    (certainty is null || cash.Certainty == certainty)
                    && (week is null || CashForecast.WeekOf(day, cash.On) == week)
                )
                    found.Add(cash.Minor, a, at);
                at++;
            }
        }

        var (total, page) = found.Page(skip, take);
        return (total, [.. page.Select(of => Of(accounts[of.Of], day, calendar).ElementAt(of.At))]);
    }
}
