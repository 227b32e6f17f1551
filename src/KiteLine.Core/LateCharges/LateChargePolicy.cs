using System.Text.Json.Serialization;

namespace KiteLine.Core;

/// <summary>How overdue items are charged.</summary>
/// <remarks>Amounts are in major units of the company's base currency, rates in percent per year.</remarks>
public sealed record LateChargePolicy : IChargedBy
{
    /// <summary>The word printed for it, since the law in some places allows one word and not another.</summary>
    public string Label { get; init; } = "Late charge";

    /// <summary>By day or by month.</summary>
    public ChargeMethod Method { get; init; }

    /// <summary>
    /// The rate table in rising order of dates. Days before its first row bear nothing. Empty with a reference rate.
    /// </summary>
    public IReadOnlyList<RateRow> Rates { get; init; } = [];

    /// <summary>Reference rate plus margin instead of the table, or null.</summary>
    public ReferenceRule? Reference { get; init; }

    /// <summary>
    /// The table that <see cref="Reference"/> names, brought along for computing; not part of what is stored.
    /// </summary>
    [JsonIgnore]
    public ReferenceRate? ReferenceRates { get; init; }

    /// <summary>What the monthly method charges; null with the daily method.</summary>
    public MonthlyRate? Monthly { get; init; }

    /// <summary>How the days of the daily method are counted.</summary>
    public required DayCount DayCount { get; init; }

    /// <summary>Days past the due date up to and including which nothing is charged.</summary>
    public int WaitDays { get; init; }

    /// <summary>Once the wait is over, from where days count.</summary>
    public CountFrom CountFrom { get; init; }

    /// <summary>Bands in rising order; none means the rate alone.</summary>
    public IReadOnlyList<RateBand> Bands { get; init; } = [];

    /// <summary>Whose balance the bands are measured on.</summary>
    public BandsOn BandsOn { get; init; }

    /// <summary>The least a charge on one item may be, or null.</summary>
    public decimal? Minimum { get; init; }

    /// <summary>What becomes of a charge below the minimum.</summary>
    public BelowMinimum BelowMinimum { get; init; }

    /// <summary>The most a charge on one item may be, or null.</summary>
    public decimal? Maximum { get; init; }

    /// <summary>The most that one run may charge an account, or null.</summary>
    public decimal? MaximumPerRun { get; init; }

    /// <summary>The most that an item may be charged over its life, compensation aside, or null.</summary>
    public decimal? MaximumOverLife { get; init; }

    /// <summary>Whether unpaid earlier charges bear charges themselves.</summary>
    public bool OnCharges { get; init; }

    /// <summary>Items that opened with less than this are not charged, or null.</summary>
    public decimal? ExemptBelow { get; init; }

    /// <summary>Fixed sums by amount, charged once an item; in rising order of amounts, the first from 0.</summary>
    public IReadOnlyList<CompensationBand> Compensation { get; init; } = [];

    /// <inheritdoc/>
    [System.Text.Json.Serialization.JsonIgnore]
    public bool Compensates => Compensation.Count > 0;

    /// <summary>
    /// Amounts for accounts in other currencies; where there are none the base currency's are converted.
    /// </summary>
    public IReadOnlyList<ChargeAmounts> InOtherCurrencies { get; init; } = [];

    /// <summary>The highest rate the law allows, or null where it sets none.</summary>
    public RateCeiling? Ceiling { get; init; }

    /// <summary>What becomes of interest on what the customer disputes.</summary>
    public WhileDisputed WhileDisputed { get; init; }

    /// <summary>Calculated and shown on letters and quotes, but never posted.</summary>
    public bool ShownOnly { get; init; }

    /// <summary>The account number its income is posted to; empty for the company's own for late charges.</summary>
    public string PostingAccount { get; init; } = "";

    /// <summary>Code of the tax on it; empty where it is not taxed.</summary>
    public string TaxCode { get; init; } = "";

    /// <summary>The rates that hold for an item that fell due on this day.</summary>
    public IReadOnlyList<RateRow> RatesFor(DateOnly due, DateOnly through) =>
        Reference is not { } rule ? Rates
        : ReferenceRates is { } table ? rule.For(table, due, through)
        : [];

    /// <summary>Whether an item is charged at all.</summary>
    public bool Bears(Item item)
    {
        ArgumentNullException.ThrowIfNull(item);
        return (item.Kind == ItemKind.Invoice || (OnCharges && item.Kind == ItemKind.LateCharge))
            && !(item.Opened.Amount < ExemptBelow);
    }

    /// <summary>The fixed sum for an item with this much overdue, in major units.</summary>
    public decimal CompensationFor(decimal overdue)
    {
        var sum = 0m;
        foreach (var band in Compensation)
            if (overdue >= band.From)
                sum = band.Amount;
        return sum;
    }

    /// <summary>What is wrong with the policy, as field and sentence; empty when it can be used.</summary>
    public IEnumerable<(string Field, string Message)> Problems() => LateChargeCheck.Problems(this);
}
