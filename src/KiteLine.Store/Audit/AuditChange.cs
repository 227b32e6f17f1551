namespace KiteLine.Store;

/// <summary>One thing that changed, in words.</summary>
/// <param name="What">The field, such as "levels 2, fee".</param>
/// <param name="Before">Its old value, or null where there was none.</param>
/// <param name="After">Its new value, or null where there is none.</param>
public sealed record AuditChange(string What, string? Before, string? After);
