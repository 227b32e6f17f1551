using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Reads over which period and of which accounts measures are asked for.</summary>
internal sealed record MeasuresReader(BookSnapshot Book, MeasuredPeriod Period, InsightScope Scope)
{
    // Longer than any comparison that is made; the work grows with it.
    private const int MostYears = 5;

    internal static MeasuresReader Read(MeasuresQuery query, Desk desk)
    {
        var (book, fields) = (desk.Snapshots.Current, new Fields());
        var today = desk.Today();
        var to = fields.OptionalDate("to", query.To) ?? today;
        var from = fields.OptionalDate("from", query.From) ?? new DateOnly(to.Year, to.Month, 1).AddMonths(-2);
        fields.ThrowIfAny();
        if (to > today)
            fields.Bad("to", $"Give {Exactly.Day(today)} or an earlier day; what is to come cannot be measured.");
        if (from > to)
            fields.Bad("from", $"Give {Exactly.Day(to)} or an earlier day.");
        else if (from < to.AddYears(-MostYears))
            fields.Bad("from", $"A period has at most {MostYears} years.");
        var within = query.Within;
        if (!string.IsNullOrEmpty(query.Account))
        {
            if (!string.IsNullOrEmpty(within))
                fields.Bad("within", "Leave it out where an account is given.");
            within = $"account:{query.Account}";
            if (book.Find(query.Account) is null)
                throw new NotThereException("account", query.Account);
        }

        var scope = InsightScope.Read(within, null, to, book, fields);
        fields.ThrowIfAny();
        return new(book, new(from, to), scope);
    }
}
