namespace KiteLine.Core;

/// <summary>How an order stood from a business date on, in minor units with tax.</summary>
/// <param name="On">The business date of the step.</param>
/// <param name="Total">What was ordered.</param>
/// <param name="Approved">What of it may be supplied.</param>
/// <param name="Invoiced">What of the approved part was invoiced.</param>
/// <param name="Until">The last day on which the approval holds for what is not yet invoiced; null without end.</param>
/// <param name="Over">Nothing more is to come: it was declined, closed or invoiced whole.</param>
public sealed record OrderStep(
    DateOnly On,
    long Total,
    long Approved,
    long Invoiced,
    DateOnly? Until = null,
    bool Over = false
)
{
    /// <summary>Approved and not yet invoiced on a day.</summary>
    public long NotInvoiced(DateOnly day) => Over || day > Until ? 0 : Math.Max(0, Approved - Invoiced);

    /// <summary>Ordered, and held: neither approved nor invoiced.</summary>
    public long Held(DateOnly day) => Over ? 0 : Math.Max(0, Total - Invoiced - NotInvoiced(day));
}
