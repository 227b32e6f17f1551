using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>How a receipt would be set against open items.</summary>
internal static class AllocationCalculator
{
    internal static AllocationAnswer Calculate(AllocationRequest request, RoundingRule rounding)
    {
        var fields = new Fields();
        var currency = fields.Currency("currency", request.Currency);
        var valueDate = fields.Date("valueDate", request.ValueDate);
        var cash = fields.Money("cash", request.Cash, currency);
        if (cash.IsZero)
            fields.Bad("cash", "Give the amount received, above zero.");
        var grace = ReceiptCalculator.Grace(fields, request.DiscountGraceDays);
        var items = (request.Items ?? [])
            .Select((item, i) => Item(fields, $"items[{i}]", item, currency, valueDate, grace))
            .ToArray();
        foreach (var twice in items.CountBy(i => i.Id).Where(c => c.Value > 1))
            fields.Bad("items", $"There are {twice.Value} items with the id {twice.Key}; give each its own.");
        var allowance = ReceiptCalculator.Allowance(fields, request.Allowance);
        fields.ThrowIfAny();

        var p = AllocationProposal.Of(cash, request.Text ?? "", items, allowance, rounding);
        return new(
            p.Rule,
            p.Confidence,
            [
                .. p.Lines.Select(l => new AllocationLineView(
                    l.Item.Id,
                    l.Settlement.Cash,
                    l.Settlement.Discount,
                    l.Settlement.WriteOff,
                    l.Settlement.StaysOpen
                )),
            ],
            p.OnAccount,
            [
                .. p.Findings.Select(f => new AllocationFindingView(
                    f.Finding.Code,
                    FindingView.Words(f.Finding),
                    f.Item?.Id,
                    (f.Finding as ReceiptFinding.DiscountUnearned)?.DaysLate
                )),
            ],
            p.Workings(cash)
        );
    }

    private static AllocationItem Item(
        Fields fields,
        string at,
        AllocationItemShape item,
        Currency currency,
        DateOnly valueDate,
        int grace
    )
    {
        var open = fields.Money($"{at}.open", item.Open, currency, signed: true);
        if (open.IsZero)
            fields.Bad($"{at}.open", "Give what is open, not zero; a credit is below zero.");
        if (string.IsNullOrWhiteSpace(item.Id))
            fields.Bad($"{at}.id", "Give a name by which the answer speaks of the item.");
        return new(
            item.Id ?? "",
            item.Document ?? "",
            fields.Date($"{at}.due", item.Due),
            new(
                open,
                ReceiptCalculator.Discounts(fields, $"{at}.discounts", item.Discounts, currency, grace),
                valueDate,
                item.PartPayments ?? false
            )
        );
    }
}
