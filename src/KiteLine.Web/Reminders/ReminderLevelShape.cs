using KiteLine.Core;
using KiteLine.Formats;

namespace KiteLine.Web;

/// <summary>A level of a reminder plan as JSON.</summary>
internal sealed record ReminderLevelShape(
    int? DaysAfterDue,
    int? DaysSincePrevious,
    int? DaysToPay,
    string? LeastOverdue,
    ReminderFeeShape? Fee,
    bool? AddEarlierFees,
    string? MostFee,
    [property: TextOf(typeof(Treatment))] string? FeeTreatment,
    [property: TextOf(typeof(Treatment))] string? LateCharge,
    [property: TextOf(typeof(Delivery), OrEmpty = true)] string? Delivery,
    [property: TextOf(typeof(AccountState), OrEmpty = true)] string? SetsState,
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
                fields.OptionalNumber($"{at}leastOverdue", LeastOverdue, 0, Bounds.Amount, "an amount such as 10.00")
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
                Bounds.Amount,
                "an amount in that currency, or nothing to convert it"
            ),
            a.Fee?.Read($"{at}fee", fields),
            fields.OptionalNumber(
                $"{at}mostFee",
                a.MostFee,
                0,
                Bounds.Amount,
                "an amount in that currency, or nothing to convert it"
            )
        );
}
