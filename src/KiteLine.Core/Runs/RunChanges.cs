namespace KiteLine.Core;

/// <summary>All that was decided about one account of a run, one decision after the other.</summary>
/// <param name="LeftOut">Why a person left the account out; null where nobody did.</param>
public sealed record RunChanges(string? LeftOut, ChargeChanges Charges, ReminderChange Reminder)
{
    /// <summary>Nothing was decided.</summary>
    public static RunChanges None { get; } = new(null, ChargeChanges.None, ReminderChange.None);

    /// <summary>What decisions come to, the latest last.</summary>
    public static RunChanges Of(IEnumerable<RunChange> changes)
    {
        ArgumentNullException.ThrowIfNull(changes);
        string? leftOut = null;
        var (takeIn, level) = (false, (int?)null);
        var (items, cuts) = (new HashSet<long>(), new Dictionary<long, Money>());
        foreach (var change in changes)
            switch (change.Kind)
            {
                case RunChangeKind.LeaveOut:
                    leftOut = change.Reason;
                    break;
                case RunChangeKind.PutBack:
                    leftOut = null;
                    break;
                case RunChangeKind.TakeIn:
                    (leftOut, takeIn) = (null, true);
                    break;
                case RunChangeKind.LeaveOutItem:
                    items.Add(change.Item!.Value);
                    break;
                case RunChangeKind.PutBackItem:
                    items.Remove(change.Item!.Value);
                    cuts.Remove(change.Item!.Value);
                    break;
                case RunChangeKind.CutItem:
                    cuts[change.Item!.Value] = change.Amount!.Value;
                    break;
                case RunChangeKind.SetLevel:
                    level = change.Level;
                    break;
                case RunChangeKind.Confirm:
                    break;
                default:
                    throw new ArgumentOutOfRangeException(nameof(changes), change.Kind, null);
            }
        return new(leftOut, new(items, cuts), new(level, takeIn, items));
    }
}
