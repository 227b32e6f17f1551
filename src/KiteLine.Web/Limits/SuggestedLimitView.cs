using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record SuggestedLimitView(string Method, string? Amount, IReadOnlyList<Working> Workings)
{
    internal static SuggestedLimitView Of(SuggestedLimit s) => new(s.Method, s.Amount?.ToString(), s.Workings);
}
