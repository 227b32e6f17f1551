namespace KiteLine.Core;

/// <summary>A receipt whose money is not certain before a day, in minor units.</summary>
/// <param name="ShownFrom">The first day on which the books show it.</param>
/// <param name="ClearsOn">The day from which it is certain.</param>
/// <param name="TakenBackOn">The day on which it was reversed, or null.</param>
/// <param name="Allocated">What it settled of other items.</param>
/// <param name="OnAccount">What of it was left on account.</param>
public sealed record BookReceipt(string Number, DateOnly ShownFrom, DateOnly ClearsOn, DateOnly? TakenBackOn, long Allocated, long OnAccount)
{
    /// <summary>What exposure is short of on a day because the money may still fail to come.</summary>
    public long UnclearedOn(DateOnly day, ExposureSettings settings)
    {
        ArgumentNullException.ThrowIfNull(settings);
        if (!settings.UnclearedCount || day < ShownFrom || day >= ClearsOn || (TakenBackOn is { } back && day >= back)) return 0;
        // Money on account that does not reduce exposure need not be added back.
        return Allocated + (settings.CreditsReduce ? OnAccount : 0);
    }
}
