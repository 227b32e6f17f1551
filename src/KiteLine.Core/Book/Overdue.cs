namespace KiteLine.Core;

/// <summary>
/// What is overdue, always by the due date, whatever the ageing goes by. Three questions have three names: what is overdue net
/// of credits, how much of the debits is overdue by more than some days, and whether any item is.
/// </summary>
public static class Overdue
{
    /// <summary>Days past the due date; zero or below while an item is not overdue.</summary>
    public static int Days(DateOnly due, DateOnly day) => day.DayNumber - due.DayNumber;

    /// <summary>
    /// Overdue net: items past their due date as shown, credits taken off, in minor units. It is what the board, Today and the
    /// ageing call overdue; <see cref="AccountPosition.Overdue"/> holds it.
    /// </summary>
    internal static long Net(DateOnly due, long open, DateOnly day) => Days(due, day) > 0 ? open : 0;

    /// <summary>
    /// Overdue gross by more than so many days, as shown: debits alone, without the credits of the account; how many items, and
    /// the days of the oldest.
    /// </summary>
    public static (long Minor, int Items, int OldestDays) After(BookAccount account, int days, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(account);
        account = account.WithDuesOn(day);
        long sum = 0;
        var (count, oldest) = (0, 0);
        foreach (ref readonly var item in account.Items.AsSpan())
        {
            if (
                Days(item.Due, day) is var late && late <= days
                || account.OpenAsShown(item, day) is not (> 0 and var open)
            )
                continue;
            sum += open;
            count++;
            oldest = Math.Max(oldest, late);
        }

        return (sum, count, oldest);
    }

    /// <summary>Whether any debit of these is past its due date, by value.</summary>
    public static bool Any(IEnumerable<Item> items, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(items);
        return items.Any(i => i.DaysOverdue(day) > 0 && i.OpenByValue(day).Minor > 0);
    }
}
