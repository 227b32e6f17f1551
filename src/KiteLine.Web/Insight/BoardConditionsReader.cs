using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Reads the conditions of a board query beyond the quick filters.</summary>
internal static class BoardConditionsReader
{
    /// <summary>The conditions, or null when none is given.</summary>
    internal static BoardConditions? Read(BoardQuery query, DateOnly day, Fields fields, Desk desk)
    {
        var none = new BoardConditions();
        var read = none with
        {
            Owner = Given(query.Owner),
            Members = Given(query.Group) is { } group ? Members(group, day, fields, desk) : null,
            States = Given(query.State) is { } states
                ? states
                    .Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                    .Select(s => fields.Choice<AccountState>("state", s))
                    .ToHashSet()
                : null,
            UtilisationFrom = fields.OptionalNumber(
                "utilisationFrom",
                query.UtilisationFrom,
                0,
                100_000,
                "a percentage"
            ),
            UtilisationTo = fields.OptionalNumber("utilisationTo", query.UtilisationTo, 0, 100_000, "a percentage"),
            OverdueFrom = fields.OptionalNumber(
                "overdueFrom",
                query.OverdueFrom,
                0,
                Bounds.Amount,
                "an amount such as 100.00"
            ),
            AgeFrom = query.AgeFrom,
            ReviewBy = fields.OptionalDate("reviewBy", query.ReviewBy),
            Promise = Given(query.Promise) is { } promise ? fields.Choice<PromiseState>("promise", promise) : null,
            Field = Given(query.Field) is { } field ? FieldOf(field, fields) : null,
        };
        return read == none ? null : read;
    }

    private static HashSet<long>? Members(string group, DateOnly day, Fields fields, Desk desk)
    {
        var book = desk.Snapshots.Current;
        if (book.Groups.TryGetValue(group, out var known))
            return book.MembersOf(known, day).Select(a => a.Id).ToHashSet();
        fields.Bad("group", $"There is no group ‘{group}’.");
        return null;
    }

    private static (string Key, string Value)? FieldOf(string field, Fields fields)
    {
        var at = field.IndexOf(':', StringComparison.Ordinal);
        if (at >= 1)
            return (field[..at], field[(at + 1)..]);
        fields.Bad("field", "Give a field and its value, such as region:Estuary.");
        return null;
    }

    private static string? Given(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim();
}
