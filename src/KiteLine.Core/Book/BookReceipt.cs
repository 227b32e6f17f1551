namespace KiteLine.Core;

/// <summary>A receipt whose money is not certain before a day, in minor units.</summary>
/// <param name="Entry">The posting that took it.</param>
/// <param name="Item">The credit that it is on the account.</param>
/// <param name="ShownFrom">The first day on which the books show it.</param>
/// <param name="ClearsOn">The day from which it is certain.</param>
/// <param name="TakenBackOn">The day on which it was reversed, or null.</param>
/// <param name="Cash">What came in.</param>
/// <param name="Uses">What it settled of other items.</param>
public sealed record BookReceipt(
    long Entry,
    long Item,
    string Number,
    DateOnly ShownFrom,
    DateOnly ClearsOn,
    DateOnly? TakenBackOn,
    long Cash,
    IReadOnlyList<BookUse> Uses
)
{
    /// <summary>
    /// What exposure is short of on a day because the money may still fail to come: all that the receipt settled,
    /// discount and write-off included, since that is what would be open again; and what it left on account, as far as
    /// credits reduce exposure.
    /// </summary>
    public long UnclearedOn(DateOnly day, ExposureSettings settings)
    {
        ArgumentNullException.ThrowIfNull(settings);
        if (!settings.UnclearedCount || day < ShownFrom || day >= ClearsOn || (TakenBackOn is { } back && day >= back))
            return 0;
        long used = 0,
            given = 0;
        for (var i = 0; i < Uses.Count; i++)
        {
            if (!Uses[i].ShownOn(day))
                continue;
            used += Uses[i].Cash;
            given += Uses[i].Given;
        }

        // Money on account that does not reduce exposure need not be added back.
        return used + given + (settings.CreditsReduce ? Cash - used : 0);
    }
}
