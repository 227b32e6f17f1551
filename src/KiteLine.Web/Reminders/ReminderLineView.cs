namespace KiteLine.Web;

internal sealed record ReminderLineView(
    long ItemId,
    string Document,
    string Due,
    int DaysOverdue,
    int Level,
    string Open
);
