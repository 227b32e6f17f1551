using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Change">By how much the amount rose since the day that is compared with; null without one.</param>
/// <param name="Changes">By how much each bucket rose.</param>
internal sealed record AgeingLineView(
    string Key,
    string Name,
    string Currency,
    int Accounts,
    MoneySum Amount,
    IReadOnlyList<BucketSumView> Ageing,
    MoneySum? Change,
    IReadOnlyList<BucketSumView>? Changes
)
{
    internal static AgeingLineView Of(AgeingChange c, IReadOnlyList<string> names, bool compared) =>
        new(
            c.Now.Key,
            c.Now.Name,
            c.Now.Currency.Code,
            c.Now.Accounts,
            new(c.Now.Amount, c.Now.Currency),
            BucketSumView.Of(names, c.Now.Ageing, c.Now.Currency),
            compared ? new(c.Amount, c.Now.Currency) : null,
            compared ? BucketSumView.Of(names, c.Ageing, c.Now.Currency) : null
        );
}
