using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record PutOffRequest(string? Key, string? Until, string? Reason);
