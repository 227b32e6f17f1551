namespace KiteLine.Core;

/// <summary>Spreads what is open of an invoice that comes into the books over the instalments of its terms.</summary>
public static class OpenInstalments
{
    /// <summary>
    /// The instalments with something open. What was paid before is taken to have settled the earliest ones.
    /// </summary>
    public static IEnumerable<(int Instalment, DateOnly Due, Money Open)> Of(PaymentSchedule schedule, Money open)
    {
        ArgumentNullException.ThrowIfNull(schedule);
        var paid = schedule.Instalments.Aggregate(-open, (sum, i) => sum + i.Amount);
        for (var i = 0; i < schedule.Instalments.Count; i++)
        {
            var line = schedule.Instalments[i];
            var settled = Money.Min(paid, line.Amount);
            paid -= settled;
            if (settled < line.Amount)
                yield return (i + 1, line.Due, line.Amount - settled);
        }
    }
}
