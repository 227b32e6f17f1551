namespace KiteLine.Web;

/// <summary>What an action on an order did, or would do.</summary>
internal sealed record OrderEffectView(
    bool Preview,
    OrderRow Order,
    CheckView? Check,
    AccountRow Before,
    AccountRow After
);
