namespace KiteLine.Core;

/// <summary>What came in on the items that one letter asked for, by value.</summary>
/// <param name="Asked">What was open of its items when it was issued; without its fee and interest.</param>
/// <param name="InTime">What was paid of that after the day of the letter and by the day it gave.</param>
/// <param name="Later">What was paid of it since.</param>
/// <param name="Running">Whether the days it gave are not over yet.</param>
public sealed record LetterOutcome(
    int Level,
    DateOnly Date,
    Money Asked,
    Money Fee,
    Money Interest,
    Money InTime,
    Money Later,
    bool Running
)
{
    /// <summary>Works it out as it was known at the end of a day.</summary>
    /// <param name="items">What was open of each item then, and the cash on it since, in minor units by value date; a
    /// payment that was taken back comes with both.</param>
    public static LetterOutcome Of(
        int level,
        DateOnly date,
        DateOnly payBy,
        Money fee,
        Money interest,
        IEnumerable<(long Open, IReadOnlyList<(DateOnly ValueDate, long Minor)> Cash)> items,
        DateOnly day
    )
    {
        ArgumentNullException.ThrowIfNull(items);
        long asked = 0,
            inTime = 0,
            later = 0;
        foreach (var (open, cash) in items)
        {
            long early = 0,
                late = 0;
            foreach (var (valueDate, minor) in cash)
                if (valueDate > date && valueDate <= day)
                {
                    if (valueDate <= payBy)
                        early += minor;
                    else
                        late += minor;
                }

            asked += open;
            var first = Math.Clamp(early, 0, Math.Max(0, open));
            inTime += first;
            later += Math.Clamp(late, 0, Math.Max(0, open - first));
        }

        Money Amount(long minor) => Money.FromMinor(minor, fee.Currency);
        return new(level, date, Amount(asked), fee, interest, Amount(inTime), Amount(later), payBy >= day);
    }

    /// <summary>Whether all that it asked for came in time.</summary>
    public bool PaidInTime => InTime == Asked;
}
