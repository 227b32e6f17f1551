using KiteLine.Core;
using KiteLine.Formats;

namespace KiteLine.Web;

internal sealed record FeeBandShape(string? From, string? Amount);

/// <summary>
/// How a fee is reckoned: by <c>perLetter</c> or <c>perItem</c> with an amount, <c>percent</c> with a rate, or
/// <c>byBand</c> with bands.
/// </summary>
internal sealed record ReminderFeeShape(
    string? Basis,
    string? Amount = null,
    string? Rate = null,
    IReadOnlyList<FeeBandShape>? Bands = null
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
                return new ReminderFee.PerLetter(fields.Number($"{at}.amount", Amount, 0, 1_000_000_000, Wanted));
            case "perItem":
                return new ReminderFee.PerItem(fields.Number($"{at}.amount", Amount, 0, 1_000_000_000, Wanted));
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
                                    1_000_000_000_000,
                                    "an amount such as 1000.00"
                                ),
                                fields.Number($"{at}.bands[{i}].amount", b.Amount, 0, 1_000_000_000, Wanted)
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

internal sealed record LevelTextShape(string? Language, string? Subject, string? Opening, string? Closing);

/// <summary>
/// The amounts of a level for accounts in one other currency; what is left out is converted at the rate of the day.
/// </summary>
internal sealed record LevelAmountsShape(
    string? Currency,
    string? LeastOverdue,
    ReminderFeeShape? Fee,
    string? MostFee
);

/// <summary>A level of a reminder plan as JSON.</summary>
internal sealed record ReminderLevelShape(
    int? DaysAfterDue,
    int? DaysSincePrevious,
    int? DaysToPay,
    string? LeastOverdue,
    ReminderFeeShape? Fee,
    bool? AddEarlierFees,
    string? MostFee,
    string? FeeTreatment,
    string? LateCharge,
    string? Delivery,
    string? SetsState,
    string? AskColleague,
    bool? HandToCollection,
    IReadOnlyList<LevelTextShape>? Texts,
    bool? FeeOnCharges = null,
    IReadOnlyList<LevelAmountsShape>? InOtherCurrencies = null
)
{
    internal static ReminderLevelShape Of(ReminderLevel l) =>
        new(
            l.DaysAfterDue,
            l.DaysSincePrevious,
            l.DaysToPay,
            Exactly.Figure(l.LeastOverdue, 2, 4),
            ReminderFeeShape.Of(l.Fee),
            l.AddEarlierFees,
            l.MostFee is { } most ? Exactly.Figure(most, 2, 4) : null,
            Fields.Name(l.FeeTreatment),
            Fields.Name(l.LateCharge),
            l.Delivery is { } delivery ? Fields.Name(delivery) : null,
            l.SetsState is { } state ? Fields.Name(state) : null,
            l.AskColleague,
            l.HandToCollection,
            [.. l.Texts.Select(t => new LevelTextShape(t.Language, t.Subject, t.Opening, t.Closing))],
            l.FeeOnCharges,
            [
                .. l.InOtherCurrencies.Select(a => new LevelAmountsShape(
                    a.Currency,
                    a.LeastOverdue is { } least ? Exactly.Figure(least, 2, 4) : null,
                    ReminderFeeShape.Of(a.Fee),
                    a.MostFee is { } held ? Exactly.Figure(held, 2, 4) : null
                )),
            ]
        );

    internal ReminderLevel Read(string at, Fields fields)
    {
        var texts = (Texts ?? [])
            .Select(t => new LevelText(t.Language?.Trim() ?? "", t.Subject ?? "", t.Opening ?? "", t.Closing ?? ""))
            .ToList();
        for (var i = 0; i < texts.Count; i++)
        {
            foreach (
                var (name, text) in new[]
                {
                    ("subject", texts[i].Subject),
                    ("opening", texts[i].Opening),
                    ("closing", texts[i].Closing),
                }
            )
                if (LetterTexts.Kind.Problem(text) is { } problem)
                    fields.Bad($"{at}texts[{i}].{name}", problem);
        }

        return new()
        {
            DaysAfterDue = DaysAfterDue ?? 0,
            DaysSincePrevious = DaysSincePrevious ?? 0,
            DaysToPay = DaysToPay ?? 7,
            LeastOverdue =
                fields.OptionalNumber($"{at}leastOverdue", LeastOverdue, 0, 1_000_000_000, "an amount such as 10.00")
                ?? 0,
            Fee = Fee?.Read($"{at}fee", fields),
            AddEarlierFees = AddEarlierFees ?? false,
            MostFee = fields.OptionalNumber($"{at}mostFee", MostFee, 0, 1_000_000, "an amount such as 50.00"),
            FeeTreatment = fields.Choice($"{at}feeTreatment", FeeTreatment, (Treatment?)Treatment.None),
            LateCharge = fields.Choice($"{at}lateCharge", LateCharge, (Treatment?)Treatment.None),
            Delivery = string.IsNullOrWhiteSpace(Delivery) ? null : fields.Choice<Delivery>($"{at}delivery", Delivery),
            SetsState = string.IsNullOrWhiteSpace(SetsState)
                ? null
                : fields.Choice<AccountState>($"{at}setsState", SetsState),
            AskColleague = AskColleague?.Trim() ?? "",
            HandToCollection = HandToCollection ?? false,
            Texts = texts,
            FeeOnCharges = FeeOnCharges ?? false,
            InOtherCurrencies =
            [
                .. (InOtherCurrencies ?? []).Select((a, i) => Amounts($"{at}inOtherCurrencies[{i}].", a, fields)),
            ],
        };
    }

    private static LevelAmounts Amounts(string at, LevelAmountsShape a, Fields fields) =>
        new(
            a.Currency?.Trim().ToUpperInvariant() ?? "",
            fields.OptionalNumber(
                $"{at}leastOverdue",
                a.LeastOverdue,
                0,
                1_000_000_000_000,
                "an amount in that currency, or nothing to convert it"
            ),
            a.Fee?.Read($"{at}fee", fields),
            fields.OptionalNumber(
                $"{at}mostFee",
                a.MostFee,
                0,
                1_000_000_000,
                "an amount in that currency, or nothing to convert it"
            )
        );
}
