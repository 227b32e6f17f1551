using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record JournalLineView(string Account, PostingPurpose Purpose, Money? Debit, Money? Credit)
{
    internal static JournalLineView Of(JournalLine line, CompanySettings settings) =>
        new(
            line.Account.Length > 0 ? line.Account : settings.AccountFor(line.Purpose, ""),
            line.Purpose,
            line.Amount.Minor > 0 ? line.Amount : null,
            line.Amount.Minor < 0 ? -line.Amount : null
        );
}
