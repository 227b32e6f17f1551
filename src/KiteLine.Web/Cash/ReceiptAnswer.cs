using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ReceiptAnswer(
    Money Cash,
    Money Discount,
    Money WriteOff,
    Money StaysOpen,
    Money OnAccount,
    IReadOnlyList<string> Findings,
    int? DaysLate,
    IReadOnlyList<Working> Workings
);
