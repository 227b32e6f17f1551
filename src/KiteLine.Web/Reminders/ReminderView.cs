using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ReminderView(
    string Number,
    int Level,
    DateOnly Date,
    DateOnly PayBy,
    Money Fee,
    bool FeePosted,
    Money LateCharge,
    Money Total,
    string? Cancelled
);
