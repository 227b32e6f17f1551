using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Level">The level it reaches by this letter; its former one when it is only listed.</param>
/// <param name="Moves">Whether it moves; false when it is only listed.</param>
/// <param name="RemindedOn">When it was last reminded of.</param>
internal sealed record ReminderLineView(
    long ItemId,
    string Document,
    DateOnly Due,
    int DaysOverdue,
    int Level,
    Money Open,
    bool Moves,
    DateOnly? RemindedOn
);
