using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>A bank statement that came in.</summary>
/// <param name="Statement">The bank's own identification.</param>
/// <param name="LastDate">The booking date of its last entry.</param>
/// <param name="Waiting">How many of its entries wait.</param>
/// <param name="WaitingSum">What these come to: what is still to be placed.</param>
internal sealed record StatementView(
    long Id,
    string Account,
    string Statement,
    string Currency,
    Money Opening,
    Money Closing,
    DateOnly? LastDate,
    long Entries,
    long Waiting,
    Money WaitingSum,
    string MadeBy
)
{
    internal static StatementView Of(StoredStatement s) =>
        new(
            s.Id,
            s.Account,
            s.Statement,
            s.Currency.Code,
            Money.FromMinor(s.Opening, s.Currency),
            Money.FromMinor(s.Closing, s.Currency),
            s.LastDate,
            s.Entries,
            s.Waiting,
            Money.FromMinor(s.WaitingSum, s.Currency),
            s.MadeBy
        );
}
