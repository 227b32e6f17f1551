using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <param name="Account">The posting account that is really posted, that of the customer's control group included.</param>
internal sealed record JournalLineView(string Account, PostingPurpose Purpose, Money? Debit, Money? Credit)
{
    internal static JournalLineView Of(JournalLine line, CompanySettings settings, string controlGroup) =>
        new(
            line.Account.Length > 0 ? line.Account : settings.AccountFor(line.Purpose, controlGroup),
            line.Purpose,
            line.Amount.Minor > 0 ? line.Amount : null,
            line.Amount.Minor < 0 ? -line.Amount : null
        );
}
