using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record CheckRequest(string? Account, string? Amount, string? Currency);
