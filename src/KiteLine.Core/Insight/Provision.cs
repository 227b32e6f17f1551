namespace KiteLine.Core;

/// <summary>The credit loss that is expected of receivables on a day, by a provision matrix (IFRS 9, 5.5.15).</summary>
/// <param name="WithoutRate">Currencies that are left out, as there is no rate for the day.</param>
public sealed record Provision(
    ProvisionMatrix Matrix,
    DateOnly Day,
    IReadOnlyList<ProvisionLine> Lines,
    IReadOnlyList<Currency> WithoutRate
)
{
    /// <summary>Receivables in all.</summary>
    public MoneySum Gross => Sum(l => l.Gross);

    /// <summary>What is expected to be lost of them.</summary>
    public MoneySum Loss => Sum(l => l.Loss);

    /// <summary>Works it out from what the books showed as open at the end of a day.</summary>
    public static Provision Of(
        IReadOnlyList<BookAccount> accounts,
        DateOnly day,
        ProvisionMatrix matrix,
        ExchangeRates rates,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(matrix);
        ArgumentNullException.ThrowIfNull(rates);
        var buckets = matrix.Buckets();
        var (points, without) = AgeingCourse.Of(
            [day],
            on => Ageing.Of(accounts, on, buckets, new(AgeingKind.Currency)),
            buckets.Count,
            rates
        );
        return new(
            matrix,
            day,
            [
                .. points[0]
                    .Ageing.Select(
                        (gross, i) => Line(buckets.Names[i], new(gross, rates.Base), matrix.Rates[i], rounding)
                    ),
            ],
            without
        );
    }

    /// <summary>The line of an amount.</summary>
    public static ProvisionLine Line(string bucket, MoneySum gross, decimal rate, RoundingRule rounding)
    {
        var loss =
            gross.Minor <= 0
                ? Int128.Zero
                : (Int128)(gross.Currency.Round(gross.Amount * rate / 100, rounding) * gross.Currency.MinorPerMajor);
        return new(bucket, gross, rate, new(loss, gross.Currency));
    }

    private MoneySum Sum(Func<ProvisionLine, MoneySum> of) =>
        new(Lines.Aggregate(Int128.Zero, (sum, l) => sum + of(l).Minor), of(Lines[0]).Currency);
}
