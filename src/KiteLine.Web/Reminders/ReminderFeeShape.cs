using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// How a fee is reckoned: by <c>perLetter</c> or <c>perItem</c> with an amount, <c>percent</c> with a rate, or
/// <c>byBand</c> with bands.
/// </summary>
internal sealed record ReminderFeeShape(
    [property: TextOf("perLetter", "perItem", "percent", "byBand", OrEmpty = true)] string? Basis,
    string? Amount = null,
    string? Rate = null,
    [property: MostEntries(Bounds.Bands)] IReadOnlyList<FeeBandShape>? Bands = null
)
{
    private const string Wanted = "an amount such as 12.00";

    internal static ReminderFeeShape? Of(ReminderFee? fee) =>
        fee switch
        {
            null => null,
            ReminderFee.PerLetter(var amount) => new("perLetter", Exactly.Figure(amount, 2, 4)),
            ReminderFee.PerItem(var amount) => new("perItem", Exactly.Figure(amount, 2, 4)),
            ReminderFee.Percent(var rate) => new("percent", Rate: Exactly.Plain(rate)),
            ReminderFee.ByBand(var bands) => new(
                "byBand",
                Bands:
                [
                    .. bands.Select(b => new FeeBandShape(
                        Exactly.Figure(b.From, 2, 4),
                        Exactly.Figure(b.Amount, 2, 4)
                    )),
                ]
            ),
            _ => throw new InvalidOperationException("A fee outside the closed set."),
        };

    internal ReminderFee? Read(string at, Fields fields)
    {
        switch (Basis)
        {
            case "perLetter":
                return new ReminderFee.PerLetter(fields.Number($"{at}.amount", Amount, 0, Bounds.Amount, Wanted));
            case "perItem":
                return new ReminderFee.PerItem(fields.Number($"{at}.amount", Amount, 0, Bounds.Amount, Wanted));
            case "percent":
                return new ReminderFee.Percent(fields.Number($"{at}.rate", Rate, 0, 100, "a percentage such as 2.5"));
            case "byBand":
                return new ReminderFee.ByBand([
                    .. (Bands ?? []).Select(
                        (b, i) =>
                            new FeeBand(
                                fields.Number(
                                    $"{at}.bands[{i}].from",
                                    b.From,
                                    0,
                                    Bounds.Amount,
                                    "an amount such as 1000.00"
                                ),
                                fields.Number($"{at}.bands[{i}].amount", b.Amount, 0, Bounds.Amount, Wanted)
                            )
                    ),
                ]);
            case null or "":
                return null;
            default:
                fields.Bad($"{at}.basis", "Choose one of perLetter, perItem, percent, byBand.");
                return null;
        }
    }
}
