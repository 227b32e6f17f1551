using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What a payment does to one item; the four parts add up to what was open.</summary>
internal sealed record PaymentLineView(
    long ItemId,
    string Document,
    Money Open,
    Money Cash,
    Money Discount,
    Money WriteOff,
    Money StaysOpen,
    Money? Offered,
    IReadOnlyList<FindingView> Findings
);
