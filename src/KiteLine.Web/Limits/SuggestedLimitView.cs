using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record SuggestedLimitView(SuggestionMethod Method, Money? Amount, IReadOnlyList<Working> Workings)
{
    internal static SuggestedLimitView Of(SuggestedLimit s) => new(s.Method, s.Amount, s.Workings);
}
