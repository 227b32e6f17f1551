using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>How far a user may go alone, in the base currency; null is without bound.</summary>
internal sealed record AuthorityShape(string? Limit, string? Release, string? Discount, string? WriteOff)
{
    internal static AuthorityShape Of(Authority a) =>
        new(Text(a.Limit), Text(a.Release), Text(a.Discount), Text(a.WriteOff));

    internal Authority Read(Fields fields)
    {
        decimal? Bound(string field, string? value) =>
            fields.OptionalNumber($"authority.{field}", value, 0, Bounds.Amount, "an amount such as 5000.00");
        return new(
            Bound("limit", Limit),
            Bound("release", Release),
            Bound("discount", Discount),
            Bound("writeOff", WriteOff)
        );
    }

    private static string? Text(decimal? amount) => amount is { } a ? Exactly.Figure(a, 2, 4) : null;
}
