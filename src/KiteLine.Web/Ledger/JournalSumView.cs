using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>All posting accounts of one currency.</summary>
/// <param name="Result">What the period adds to the result.</param>
internal sealed record JournalSumView(
    string Currency,
    Money Opening,
    Money Debits,
    Money Credits,
    Money Closing,
    Money Result
)
{
    internal static JournalSumView Of(JournalSum s) =>
        new(s.Currency.Code, s.Opening, s.Debits, s.Credits, s.Closing, s.Result);
}
