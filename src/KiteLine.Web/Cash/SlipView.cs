using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Money taken by hand that is banked together.</summary>
/// <param name="Expected">What the bank is to credit: the total, less what was reversed meanwhile.</param>
/// <param name="Credited">What it credited; null while it has not.</param>
/// <param name="Difference">What it credited less what was expected; null while it has not.</param>
/// <param name="IsVoid">Whether nothing stands on it any more.</param>
internal sealed record SlipView(
    long Id,
    string Number,
    string Account,
    string Currency,
    string Method,
    DateOnly BankedOn,
    string MadeBy,
    long Receipts,
    Money Total,
    Money Reversed,
    Money Expected,
    Money? Credited,
    Money? Difference,
    bool IsVoid
)
{
    internal static SlipView Of(BankingBatch b)
    {
        var credited = b.Credited is { } minor ? Money.FromMinor(minor, b.Currency) : (Money?)null;
        return new(
            b.Id,
            b.Number,
            b.Account,
            b.Currency.Code,
            b.Method,
            b.BankedOn,
            b.MadeBy,
            b.Receipts,
            Money.FromMinor(b.Total, b.Currency),
            Money.FromMinor(b.Reversed, b.Currency),
            b.Expected,
            credited,
            credited - b.Expected,
            b.IsVoid
        );
    }
}
