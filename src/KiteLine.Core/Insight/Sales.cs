namespace KiteLine.Core;

/// <summary>What an account bought.</summary>
public static class Sales
{
    /// <summary>
    /// Invoices less credit notes of a period with tax, in minor units, as the measures count them: as posted, what was
    /// settled before the books began included.
    /// </summary>
    /// <param name="paidBefore">What was paid before the books began of invoices brought in in part.</param>
    public static long Of(BookAccount account, MeasuredPeriod period, IEnumerable<PaidBefore> paidBefore)
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(period);
        ArgumentNullException.ThrowIfNull(paidBefore);
        var sums = new MeasureSums(period);
        sums.Add(account);
        foreach (var before in paidBefore)
            sums.AddSold(before.Date, before.Minor);
        return (long)sums.Sales.Aggregate(Int128.Zero, (sum, month) => sum + month);
    }
}
