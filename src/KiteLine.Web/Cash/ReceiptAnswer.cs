using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ReceiptAnswer(
    string Cash,
    string Discount,
    string WriteOff,
    string StaysOpen,
    string OnAccount,
    IReadOnlyList<string> Findings,
    int? DaysLate,
    IReadOnlyList<Working> Workings
);
