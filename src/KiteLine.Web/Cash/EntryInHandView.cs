using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>The one line in hand.</summary>
/// <param name="Text">All that the payer wrote, line by line.</param>
/// <param name="Findings">What the bank says of it.</param>
/// <param name="Placing">What it could settle; null where it does not wait, or is no money that came in.</param>
/// <param name="Returns">The receipts that it may take back.</param>
/// <param name="InTransit">Refunds that the bank may have paid by it, or slips that it may credit.</param>
/// <param name="Cleared">Whether it settled one of these.</param>
internal sealed record EntryInHandView(
    StatementLineView Line,
    string Text,
    string PayerAccount,
    Money Charges,
    string Foreign,
    IReadOnlyList<FindingView> Findings,
    PlacingView? Placing,
    IReadOnlyList<ReturnedReceiptView> Returns,
    IReadOnlyList<InTransitView> InTransit,
    bool Cleared
);
