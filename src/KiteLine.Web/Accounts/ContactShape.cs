using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ContactShape(string? Name, string? Role, string? Phone, string? Email, bool? Active);
