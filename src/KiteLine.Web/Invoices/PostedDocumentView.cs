using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>An invoice or a credit note as it stands in the books, for writing it again or amending it.</summary>
/// <param name="EntryId">The posting that made it.</param>
/// <param name="Terms">What holds for it now, in shorthand; empty where none are known.</param>
/// <param name="AmendedOn">The date of its latest amendment that stands; null without any.</param>
/// <param name="OrderId">The order that it was made of; null for none.</param>
/// <param name="Lines">What it is of; empty where totals alone are known.</param>
internal sealed record PostedDocumentView(
    long Id,
    long EntryId,
    ItemKind Kind,
    string Number,
    DateOnly Date,
    string Account,
    string Reference,
    string Terms,
    DateOnly? AmendedOn,
    long? OrderId,
    Money Net,
    Money Tax,
    Money NotDiscountable,
    IReadOnlyList<PostedLineView> Lines
)
{
    internal static PostedDocumentView Of(StoredDocument d) =>
        new(
            d.Id,
            d.EntryId,
            d.Kind,
            d.Number,
            d.Date,
            d.Account.Code,
            d.Reference,
            d.Terms?.ToTerms().ToString() ?? "",
            d.AmendedOn,
            d.OrderId,
            d.Content.Amounts.Net,
            d.Content.Amounts.Tax,
            d.Content.Amounts.NotDiscountable,
            [.. d.Content.Lines.Select(PostedLineView.Of)]
        );
}
