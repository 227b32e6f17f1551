using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A posting account over a period. Debits are positive, a balance on the credit side is negative.</summary>
/// <param name="OnResult">Whether it belongs to the result of a period.</param>
/// <param name="Effect">What the period adds to the result; zero for an account that does not belong to it.</param>
/// <param name="Lines">How many lines of the period make up debits and credits.</param>
internal sealed record JournalBalanceView(
    string Account,
    PostingPurpose Purpose,
    string Currency,
    Money Opening,
    Money Debits,
    Money Credits,
    Money Closing,
    bool OnResult,
    Money Effect,
    long Lines
)
{
    internal static JournalBalanceView Of(JournalBalance b) =>
        new(
            b.Account,
            b.Purpose,
            b.Debits.Currency.Code,
            b.Opening,
            b.Debits,
            b.Credits,
            b.Closing,
            b.OnResult,
            b.Effect,
            b.Lines
        );
}
