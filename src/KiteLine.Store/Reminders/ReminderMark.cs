namespace KiteLine.Store;

/// <summary>A mark on an item's life: a reminder that covered it.</summary>
public sealed record ReminderMark(long ItemId, long Level, DateOnly Date, string Number);
