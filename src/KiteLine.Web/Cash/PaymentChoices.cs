using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Reads what was decided on each item of a payment.</summary>
internal static class PaymentChoices
{
    internal static Dictionary<long, PaymentChoice> Read(IReadOnlyList<PaymentItemShape>? items, Fields fields)
    {
        var choices = new Dictionary<long, PaymentChoice>();
        foreach (var (item, i) in (items ?? []).Select((x, i) => (x, i)))
        {
            var choice = new PaymentChoice(
                fields.Choice($"items[{i}].discount", item.Discount, (DiscountChoice?)DiscountChoice.Proposed),
                item.WriteOff switch
                {
                    true => WriteOffChoice.Whole,
                    false => WriteOffChoice.Refuse,
                    null => WriteOffChoice.Proposed,
                },
                fields.OptionalDate($"items[{i}].step", item.Step),
                item.Dispute ?? false
            );
            if (!choices.TryAdd(item.Id, choice))
                fields.Bad($"items[{i}].id", "Each item is chosen once.");
        }

        return choices;
    }

    internal static Store.EntryPlacement Read(PlaceEntryRequest request)
    {
        var fields = new Fields();
        var account = fields.Text("account", request.Account, "the code of the account");
        var items = request.Items is null ? null : Read(request.Items, fields);
        fields.ThrowIfAny();
        return new(
            account,
            items,
            request.Reason ?? "",
            request.Learn ?? true,
            request.Filled ?? false,
            request.KeepOver ?? false
        );
    }
}
