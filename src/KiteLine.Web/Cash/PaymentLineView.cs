namespace KiteLine.Web;

/// <summary>What a payment does to one item; the four parts add up to what was open.</summary>
internal sealed record PaymentLineView(
    long ItemId,
    string Document,
    string Open,
    string Cash,
    string Discount,
    string WriteOff,
    string StaysOpen,
    string? Offered,
    IReadOnlyList<FindingView> Findings
);
