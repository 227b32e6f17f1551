namespace KiteLine.Core;

/// <summary>What happened in a period, or would have, added up in minor units of one currency.</summary>
/// <param name="Discounts">Given on the invoices of the period.</param>
/// <param name="Discounted">How many payments took one.</param>
/// <param name="Charges">Raised in the period, without tax.</param>
/// <param name="Charged">How many items were charged.</param>
/// <param name="Fees">Asked for by letters.</param>
/// <param name="Letters">How many letters went out.</param>
/// <param name="Held">Of orders when they came in.</param>
/// <param name="OrdersHeld">How many orders were held.</param>
/// <param name="Interest">On cash that came earlier, less what came later.</param>
public sealed record ReplayFigures(
    decimal Discounts,
    int Discounted,
    decimal Charges,
    int Charged,
    decimal Fees,
    int Letters,
    decimal Held,
    int OrdersHeld,
    decimal Interest
)
{
    /// <summary>Nothing at all.</summary>
    public static ReplayFigures None { get; } = new(0, 0, 0, 0, 0, 0, 0, 0, 0);

    /// <summary>What it brings the company: charges, fees and interest less discounts.</summary>
    public decimal Brings => Charges + Fees + Interest - Discounts;

    /// <summary>Both together.</summary>
    public static ReplayFigures operator +(ReplayFigures a, ReplayFigures b)
    {
        ArgumentNullException.ThrowIfNull(a);
        ArgumentNullException.ThrowIfNull(b);
        return new(
            a.Discounts + b.Discounts,
            a.Discounted + b.Discounted,
            a.Charges + b.Charges,
            a.Charged + b.Charged,
            a.Fees + b.Fees,
            a.Letters + b.Letters,
            a.Held + b.Held,
            a.OrdersHeld + b.OrdersHeld,
            a.Interest + b.Interest
        );
    }

    /// <summary>How much more the first are than the second, figure by figure.</summary>
    public static ReplayFigures operator -(ReplayFigures a, ReplayFigures b)
    {
        ArgumentNullException.ThrowIfNull(a);
        ArgumentNullException.ThrowIfNull(b);
        return new(
            a.Discounts - b.Discounts,
            a.Discounted - b.Discounted,
            a.Charges - b.Charges,
            a.Charged - b.Charged,
            a.Fees - b.Fees,
            a.Letters - b.Letters,
            a.Held - b.Held,
            a.OrdersHeld - b.OrdersHeld,
            a.Interest - b.Interest
        );
    }

    /// <summary>The same under the name that operators have elsewhere.</summary>
    public ReplayFigures Subtract(ReplayFigures other) => this - other;

    /// <summary>The same under the name that operators have elsewhere.</summary>
    public ReplayFigures Add(ReplayFigures other) => this + other;

    /// <summary>The figures of lines.</summary>
    /// <param name="amount">Which of the two amounts of a line.</param>
    /// <param name="minor">An amount in the currency of the figures; null where there is no rate.</param>
    public static ReplayFigures Of(
        IEnumerable<ReplayedLine> lines,
        Func<ReplayedLine, Money?> amount,
        Func<Money, decimal?> minor
    )
    {
        ArgumentNullException.ThrowIfNull(lines);
        ArgumentNullException.ThrowIfNull(amount);
        ArgumentNullException.ThrowIfNull(minor);
        var (sums, counts) = (new decimal[5], new int[5]);
        foreach (var line in lines)
            if (amount(line) is { } of)
            {
                sums[(int)line.Kind] += minor(of) ?? 0;
                counts[(int)line.Kind]++;
            }

        return new(sums[0], counts[0], sums[1], counts[1], sums[2], counts[2], sums[3], counts[3], sums[4]);
    }
}
