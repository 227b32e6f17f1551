using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Code">Of the account; empty for a sum.</param>
/// <param name="Due">What of the closing balance is due at the end of the period.</param>
internal sealed record GroupStatementLineView(
    string Code,
    string Name,
    string Currency,
    Money Opening,
    Money Debits,
    Money Credits,
    Money Closing,
    Money Due
);
