namespace KiteLine.Core;

/// <summary>What the letters of one month, level and currency brought, by value.</summary>
/// <param name="Month">Its first day.</param>
/// <param name="Running">How many of the letters give days that are not over yet.</param>
/// <param name="AllPaid">How many were paid in full within the days they gave.</param>
public sealed record ReminderResult(
    DateOnly Month,
    int Level,
    int Letters,
    int Running,
    int AllPaid,
    Money Asked,
    Money Fee,
    Money Interest,
    Money InTime,
    Money Later
)
{
    /// <summary>
    /// The share of what was asked for that came in time, as a fraction with four decimals, half away from zero; null
    /// where nothing was asked for.
    /// </summary>
    public decimal? InTimeShare =>
        Asked.IsZero ? null : Math.Round(InTime.Amount / Asked.Amount, 4, MidpointRounding.AwayFromZero);

    /// <summary>Adds letters up: the latest month first, then by level and currency.</summary>
    public static IReadOnlyList<ReminderResult> Of(IEnumerable<LetterOutcome> letters)
    {
        ArgumentNullException.ThrowIfNull(letters);
        var sums = new Dictionary<(DateOnly Month, int Level, Currency Currency), ReminderResult>();
        foreach (var l in letters)
        {
            var key = (new DateOnly(l.Date.Year, l.Date.Month, 1), l.Level, l.Asked.Currency);
            var none = Money.Zero(l.Asked.Currency);
            var sum = sums.GetValueOrDefault(key) ?? new(key.Item1, l.Level, 0, 0, 0, none, none, none, none, none);
            sums[key] = sum with
            {
                Letters = sum.Letters + 1,
                Running = sum.Running + (l.Running ? 1 : 0),
                AllPaid = sum.AllPaid + (l.PaidInTime ? 1 : 0),
                Asked = sum.Asked + l.Asked,
                Fee = sum.Fee + l.Fee,
                Interest = sum.Interest + l.Interest,
                InTime = sum.InTime + l.InTime,
                Later = sum.Later + l.Later,
            };
        }

        return
        [
            .. sums.OrderByDescending(s => s.Key.Month)
                .ThenBy(s => s.Key.Level)
                .ThenBy(s => s.Key.Currency.Code, StringComparer.Ordinal)
                .Select(s => s.Value),
        ];
    }
}
