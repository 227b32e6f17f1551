using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What an invoice or credit note comes to.</summary>
/// <param name="Terms">In shorthand; empty for a credit note.</param>
/// <param name="LineNets">The net amount of each line, in their order.</param>
/// <param name="Settled">What a credit note is set against.</param>
internal sealed record DocumentView(
    Money Net,
    Money Tax,
    Money Gross,
    string Terms,
    IReadOnlyList<Money> LineNets,
    IReadOnlyList<DocumentTaxView> Taxes,
    IReadOnlyList<InstalmentLine> Instalments,
    IReadOnlyList<DiscountLine> Discounts,
    IReadOnlyList<SettledItemView> Settled
)
{
    internal static DocumentView Of(InvoiceOutcome outcome) =>
        Of(
            outcome.Content,
            outcome.Terms.ToString(),
            [.. outcome.Schedule.Instalments.Select(i => new InstalmentLine(i.Due, i.Amount))],
            [.. outcome.Schedule.Discounts.Select(DiscountLine.Of)],
            []
        );

    internal static DocumentView Of(AmendmentOutcome outcome) =>
        Of(
            outcome.Content,
            outcome.Amendment.Terms.ToString(),
            [.. outcome.Amendment.Schedule.Instalments.Select(i => new InstalmentLine(i.Due, i.Amount))],
            [.. outcome.Amendment.Schedule.Discounts.Select(DiscountLine.Of)],
            []
        );

    internal static DocumentView Of(CreditNoteDecision decision) =>
        Of(
            decision.Content,
            "",
            [],
            [],
            [
                .. decision.Settled.Select(s => new SettledItemView(
                    s.Item.Id,
                    s.Item.Document,
                    s.Item.Due,
                    s.Item.Left,
                    s.Amount,
                    s.Item.Left - s.Amount
                )),
            ]
        );

    private static DocumentView Of(
        DocumentContent content,
        string terms,
        IReadOnlyList<InstalmentLine> instalments,
        IReadOnlyList<DiscountLine> discounts,
        IReadOnlyList<SettledItemView> settled
    ) =>
        new(
            content.Amounts.Net,
            content.Amounts.Tax,
            content.Amounts.Gross,
            terms,
            [.. content.Lines.Select(l => l.Net)],
            [.. content.Taxes.Select(DocumentTaxView.Of)],
            instalments,
            discounts,
            settled
        );
}
