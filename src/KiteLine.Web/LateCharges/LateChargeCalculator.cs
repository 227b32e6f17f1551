using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>The late charge of one item by the daily method.</summary>
internal static class LateChargeCalculator
{
    internal static LateChargeAnswer Calculate(LateChargeRequest request, RoundingRule rounding)
    {
        var (_, policy, charge) = Charge(request, null, rounding);
        return new(
            charge.Total,
            [.. charge.Segments.Select(s => SegmentLine.Of(s, charge.Total.Currency))],
            [.. ChargeWorkings.Of(policy, charge, rounding)]
        );
    }

    /// <summary>
    /// The sample item, the policy and the charge. A policy that names a reference rate needs a way to look it up.
    /// </summary>
    internal static (Item Item, LateChargePolicy Policy, ItemCharge Charge) Charge(
        LateChargeRequest request,
        Func<LateChargePolicy, LateChargePolicy>? withReference,
        RoundingRule rounding
    )
    {
        var fields = new Fields();
        var currency = fields.Currency("currency", request.Currency);
        var amount = fields.Money("amount", request.Amount, currency);
        var due = fields.Date("dueDate", request.DueDate);
        var through = fields.Date("through", request.Through);
        var charged = fields.OptionalDate("chargedThrough", request.ChargedThrough);
        var moves = (request.Movements ?? [])
            .Select(
                (m, i) =>
                    new Movement(
                        MovementKind.Cash,
                        fields.Date($"movements[{i}].date", m.Date),
                        fields.Money($"movements[{i}].amount", m.Amount, currency, signed: true)
                    )
            )
            .ToList();
        var policy = request.Policy?.Read("policy.", fields, withReference);
        if (policy is null)
            fields.Bad("policy", "Give the policy: rates and dayCount at least.");
        fields.ThrowIfAny();

        var item = new Item
        {
            Id = 1,
            Document = "sample",
            Kind = ItemKind.Invoice,
            Date = due,
            Due = due,
            Movements = [new(MovementKind.Opened, DateOnly.MinValue, amount), .. moves],
        };
        return (item, policy!, AccountCharges.OfItem(item, policy!, charged, through, rounding));
    }
}
