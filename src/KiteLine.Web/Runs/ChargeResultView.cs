using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What came of the charge documents of a run in one currency, by value.</summary>
/// <param name="Waived">What was written off or set off.</param>
internal sealed record ChargeResultView(
    string Currency,
    int Documents,
    Money Raised,
    Money Paid,
    Money Waived,
    Money Open
);
