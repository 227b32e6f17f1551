using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A late-charge policy as JSON.</summary>
internal sealed record LateChargePolicyShape(
    string? Label,
    [property: MostEntries(Bounds.Rates)] IReadOnlyList<RateShape>? Rates,
    string? DayCount,
    int? WaitDays,
    [property: TextOf(typeof(CountFrom))] string? CountFrom,
    [property: MostEntries(Bounds.Bands)] IReadOnlyList<BandShape>? Bands,
    string? Minimum,
    [property: TextOf(typeof(BelowMinimum))] string? BelowMinimum,
    string? Maximum,
    bool? ShownOnly,
    [property: TextOf(typeof(ChargeMethod))] string? Method = null,
    MonthlyRateShape? Monthly = null,
    ReferenceRuleShape? Reference = null,
    [property: TextOf(typeof(BandsOn))] string? BandsOn = null,
    string? MaximumPerRun = null,
    string? MaximumOverLife = null,
    bool? OnCharges = null,
    string? ExemptBelow = null,
    [property: MostEntries(Bounds.Bands)] IReadOnlyList<CompensationShape>? Compensation = null,
    CeilingShape? Ceiling = null,
    string? PostingAccount = null,
    string? TaxCode = null,
    IReadOnlyList<ChargeAmountsShape>? InOtherCurrencies = null,
    [property: TextOf(typeof(WhileDisputed))] string? WhileDisputed = null
)
{
    private const string Rate = "a rate in percent a year, such as 8";

    internal static LateChargePolicyShape Of(LateChargePolicy p) =>
        new(
            p.Label,
            [.. p.Rates.Select(r => new RateShape($"{r.From:yyyy-MM-dd}", Exactly.Plain(r.AnnualRate)))],
            p.DayCount.Name,
            p.WaitDays,
            Fields.Name(p.CountFrom),
            [.. p.Bands.Select(b => new BandShape(Text(b.Above), Exactly.Plain(b.AnnualRate)))],
            Text(p.Minimum),
            Fields.Name(p.BelowMinimum),
            Text(p.Maximum),
            p.ShownOnly,
            Fields.Name(p.Method),
            p.Monthly is { } m ? new(Exactly.Plain(m.Percent), Fields.Name(m.Months)) : null,
            p.Reference is { } r ? new(r.Code, Exactly.Plain(r.Margin), r.FixedForLife, r.DayBefore) : null,
            Fields.Name(p.BandsOn),
            Text(p.MaximumPerRun),
            Text(p.MaximumOverLife),
            p.OnCharges,
            Text(p.ExemptBelow),
            [.. p.Compensation.Select(c => new CompensationShape(Text(c.From), Text(c.Amount)))],
            p.Ceiling is { } ceiling ? new(Exactly.Plain(ceiling.Rate), ceiling.Source) : null,
            p.PostingAccount,
            p.TaxCode,
            [
                .. p.InOtherCurrencies.Select(a => new ChargeAmountsShape(
                    a.Currency,
                    Text(a.Minimum),
                    Text(a.Maximum),
                    Text(a.MaximumPerRun),
                    Text(a.MaximumOverLife),
                    Text(a.ExemptBelow),
                    a.BandsAbove is { } above ? [.. above.Select(x => Text(x)!)] : null,
                    a.Compensation is { } sums
                        ? [.. sums.Select(c => new CompensationShape(Text(c.From), Text(c.Amount)))]
                        : null
                )),
            ],
            Fields.Name(p.WhileDisputed)
        );

    /// <summary>Reads and checks the policy; problems are reported under <paramref name="at"/>.</summary>
    /// <param name="withReference">Brings the reference rate along that the policy names.</param>
    internal LateChargePolicy Read(
        string at,
        Fields fields,
        Func<LateChargePolicy, LateChargePolicy>? withReference = null
    )
    {
        var dayCount = Core.DayCount.Find(DayCount);
        var method = fields.Choice($"{at}method", Method, (ChargeMethod?)ChargeMethod.Daily);
        if (dayCount is null && method == ChargeMethod.Daily)
            fields.Bad($"{at}dayCount", $"Choose one of {string.Join(", ", Core.DayCount.All)}.");
        decimal? Amount(string name, string? value, string sample) =>
            fields.OptionalNumber(at + name, value, 0, Bounds.Amount, $"an amount such as {sample}");
        var daily = method == ChargeMethod.Daily;
        var policy = new LateChargePolicy
        {
            Label = string.IsNullOrWhiteSpace(Label) ? "Late charge" : Label.Trim(),
            Method = method,
            Monthly = daily
                ? null
                : new(
                    fields.Number(
                        $"{at}monthly.percent",
                        Monthly?.Percent,
                        0,
                        100,
                        "a percentage for each month, such as 1.5"
                    ),
                    fields.Choice($"{at}monthly.months", Monthly?.Months, (MonthsCounted?)MonthsCounted.Started)
                ),
            Reference =
                daily && Reference is { } r
                    ? new(
                        r.Code?.Trim() ?? "",
                        fields.Number($"{at}reference.margin", r.Margin, -20, 1000, "points, such as 8"),
                        r.FixedForLife ?? false,
                        r.DayBefore ?? false
                    )
                    : null,
            Rates =
                !daily || Reference is not null
                    ? []
                    :
                    [
                        .. (Rates ?? []).Select(
                            (x, i) =>
                                new RateRow(
                                    fields.Date($"{at}rates[{i}].from", x.From),
                                    fields.Number($"{at}rates[{i}].annualRate", x.AnnualRate, 0, 1000, Rate)
                                )
                        ),
                    ],
            DayCount = dayCount ?? Core.DayCount.Of("act/365f"),
            WaitDays = WaitDays ?? 0,
            CountFrom = fields.Choice($"{at}countFrom", CountFrom, (CountFrom?)Core.CountFrom.DueDate),
            Bands =
            [
                .. (Bands ?? []).Select(
                    (b, i) =>
                        new RateBand(
                            fields.Number(
                                $"{at}bands[{i}].above",
                                b.Above,
                                0,
                                Bounds.Amount,
                                "an amount such as 5000.00"
                            ),
                            fields.Number($"{at}bands[{i}].annualRate", b.AnnualRate, 0, 1000, Rate)
                        )
                ),
            ],
            BandsOn = fields.Choice($"{at}bandsOn", BandsOn, (BandsOn?)Core.BandsOn.Item),
            Minimum = Amount("minimum", Minimum, "0.50"),
            BelowMinimum = fields.Choice($"{at}belowMinimum", BelowMinimum, (BelowMinimum?)Core.BelowMinimum.Raise),
            Maximum = Amount("maximum", Maximum, "250.00"),
            MaximumPerRun = Amount("maximumPerRun", MaximumPerRun, "500.00"),
            MaximumOverLife = Amount("maximumOverLife", MaximumOverLife, "1000.00"),
            OnCharges = OnCharges ?? false,
            ExemptBelow = Amount("exemptBelow", ExemptBelow, "25.00"),
            Compensation = Sums(at, Compensation ?? [], fields),
            Ceiling =
                string.IsNullOrWhiteSpace(Ceiling?.Rate) && string.IsNullOrWhiteSpace(Ceiling?.Source)
                    ? null
                    : new(
                        fields.Number($"{at}ceiling.rate", Ceiling!.Rate, 0, 1000, Rate),
                        Ceiling.Source?.Trim() ?? ""
                    ),
            ShownOnly = ShownOnly ?? false,
            WhileDisputed = fields.Choice(
                $"{at}whileDisputed",
                WhileDisputed,
                (WhileDisputed?)Core.WhileDisputed.Charged
            ),
            PostingAccount = PostingAccount?.Trim() ?? "",
            TaxCode = TaxCode?.Trim() ?? "",
            InOtherCurrencies =
            [
                .. (InOtherCurrencies ?? []).Select((a, i) => Read($"{at}inOtherCurrencies[{i}].", a, fields)),
            ],
        };
        if (withReference is not null)
        {
            policy = withReference(policy);
            if (policy is { Reference: { Code.Length: > 0 } rule, ReferenceRates: null })
                fields.Bad($"{at}reference.code", $"There is no reference rate ‘{rule.Code}’.");
        }
        else if (policy.Reference is not null)
        {
            fields.Bad($"{at}reference", "A reference rate is the company's own table; give rates here.");
        }

        foreach (var (field, message) in policy.Problems())
            fields.Bad(at + field, message);
        return policy;
    }

    private static List<CompensationBand> Sums(string at, IReadOnlyList<CompensationShape> sums, Fields fields) =>
        [
            .. sums.Select(
                (c, i) =>
                    new CompensationBand(
                        fields.Number(
                            $"{at}compensation[{i}].from",
                            c.From,
                            0,
                            Bounds.Amount,
                            "an amount such as 1000.00"
                        ),
                        fields.Number(
                            $"{at}compensation[{i}].amount",
                            c.Amount,
                            0,
                            Bounds.Amount,
                            "an amount such as 40.00"
                        )
                    )
            ),
        ];

    private static ChargeAmounts Read(string at, ChargeAmountsShape a, Fields fields)
    {
        decimal? Amount(string name, string? value) =>
            fields.OptionalNumber(
                at + name,
                value,
                0,
                Bounds.Amount,
                "an amount in that currency, or nothing to convert it"
            );
        return new(
            a.Currency?.Trim().ToUpperInvariant() ?? "",
            Amount("minimum", a.Minimum),
            Amount("maximum", a.Maximum),
            Amount("maximumPerRun", a.MaximumPerRun),
            Amount("maximumOverLife", a.MaximumOverLife),
            Amount("exemptBelow", a.ExemptBelow),
            a.BandsAbove is { Count: > 0 } above
                ?
                [
                    .. above.Select(
                        (x, i) =>
                            fields.Number($"{at}bandsAbove[{i}]", x, 0, Bounds.Amount, "an amount in that currency")
                    ),
                ]
                : null,
            a.Compensation is { Count: > 0 } sums ? Sums(at, sums, fields) : null
        );
    }

    private static string? Text(decimal? amount) => amount is { } a ? Exactly.Figure(a, 2, 4) : null;
}
