using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>An invoice or a credit note in the history of an account; a credit note's amounts are negative.</summary>
/// <param name="Open">What is left of it with everything that was posted.</param>
/// <param name="Credits">The invoice that a credit note names; empty for none.</param>
/// <param name="EntryId">The posting that made it.</param>
/// <param name="AmendedOn">The date of its latest amendment that stands; null without any.</param>
/// <param name="CanAmend">Whether its terms can be amended: something of an invoice is open.</param>
/// <param name="CanWriteAgain">Whether it can be reversed and written again in one step.</param>
internal sealed record DocumentRowView(
    long Id,
    ItemKind Kind,
    string Number,
    DateOnly Date,
    string Reference,
    string Credits,
    Money Net,
    Money Tax,
    Money Gross,
    Money Open,
    long EntryId,
    DateOnly? AmendedOn,
    bool CanAmend,
    bool CanWriteAgain
)
{
    internal static DocumentRowView Of(DocumentRow r, Currency currency) =>
        new(
            r.Id,
            r.Kind,
            r.Number,
            r.Date,
            r.Reference,
            r.Credits,
            Money.FromMinor(r.Net, currency),
            Money.FromMinor(r.Tax, currency),
            Money.FromMinor(r.Net + r.Tax, currency),
            Money.FromMinor(r.Open, currency),
            r.EntryId,
            r.AmendedOn,
            r.CanAmend,
            r.CanWriteAgain
        );
}
