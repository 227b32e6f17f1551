using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What a customer must pay on a day.</summary>
internal sealed record SettlementView(
    DateOnly On,
    string Currency,
    Money Open,
    Money Discount,
    int DiscountItems,
    Money LateCharges,
    Money Fees,
    Money ToPay,
    NextChangeView? NextChange,
    string? ChargeRule,
    IReadOnlyList<Working> Workings
);
