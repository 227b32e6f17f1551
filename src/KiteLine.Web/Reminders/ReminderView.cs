namespace KiteLine.Web;

internal sealed record ReminderView(
    string Number,
    int Level,
    string Date,
    string PayBy,
    string Fee,
    bool FeePosted,
    string LateCharge,
    string Total,
    string? Cancelled
);
