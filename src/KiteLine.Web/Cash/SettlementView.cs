using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What a customer must pay on a day.</summary>
internal sealed record SettlementView(
    string On,
    string Currency,
    string Open,
    string Discount,
    int DiscountItems,
    string LateCharges,
    string Fees,
    string ToPay,
    NextChangeView? NextChange,
    string? ChargeRule,
    IReadOnlyList<Working> Workings
);
