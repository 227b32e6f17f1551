namespace KiteLine.Web;

internal sealed record MovementShape(string? Date, string? Amount);
