using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>The conditions of a board query beyond the quick filters; all of them must hold.</summary>
internal static class BoardConditions
{
    /// <summary>One condition for all that is given, or null when nothing is.</summary>
    internal static Func<AccountPosition, bool>? Read(BoardQuery query, Fields fields, Desk desk)
    {
        var all = new List<Func<AccountPosition, bool>>();
        if (Given(query.Owner) is { } owner) all.Add(p => p.Account.Owner.Equals(owner, StringComparison.OrdinalIgnoreCase));
        if (Given(query.Group) is { } group)
        {
            var book = desk.Snapshots.Current;
            if (!book.Groups.TryGetValue(group, out var known)) fields.Bad("group", $"There is no group ‘{group}’.");
            else
            {
                var members = book.MembersOf(known).Select(a => a.Id).ToHashSet();
                all.Add(p => members.Contains(p.Account.Id));
            }
        }

        if (Given(query.State) is { } states)
        {
            var wanted = states.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(s => fields.Choice<AccountState>("state", s)).ToHashSet();
            all.Add(p => wanted.Contains(p.State));
        }

        if (fields.OptionalNumber("utilisationFrom", query.UtilisationFrom, 0, 100_000, "a percentage") is { } least) all.Add(p => p.Utilisation * 100 >= least);
        if (fields.OptionalNumber("utilisationTo", query.UtilisationTo, 0, 100_000, "a percentage") is { } most) all.Add(p => p.Utilisation * 100 <= most);
        if (fields.OptionalNumber("overdueFrom", query.OverdueFrom, 0, 1_000_000_000_000, "an amount such as 100.00") is { } overdue) all.Add(p => (decimal)p.Overdue / p.Account.Currency.MinorPerMajor >= overdue);
        if (query.AgeFrom is { } age) all.Add(p => p.OldestDays >= age);
        if (fields.OptionalDate("reviewBy", query.ReviewBy) is { } by) all.Add(p => p.Limit?.ReviewOn <= by);
        if (Given(query.Promise) is { } promise)
        {
            var state = fields.Choice<PromiseState>("promise", promise);
            all.Add(p => p.Promise?.State == state);
        }

        if (Given(query.Field) is { } field)
        {
            var at = field.IndexOf(':', StringComparison.Ordinal);
            if (at < 1) fields.Bad("field", "Give a field and its value, such as region:Estuary.");
            else all.Add(p => p.Account.Fields.GetValueOrDefault(field[..at], "").Equals(field[(at + 1)..], StringComparison.OrdinalIgnoreCase));
        }

        return all.Count == 0 ? null : p => all.TrueForAll(c => c(p));
    }

    private static string? Given(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim();
}
