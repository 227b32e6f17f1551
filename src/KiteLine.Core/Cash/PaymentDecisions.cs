namespace KiteLine.Core;

/// <summary>What was decided on the items of a payment, carried out on how they are settled without it.</summary>
/// <param name="Items">How each is settled then.</param>
/// <param name="Granted">The discount that was granted on each, or null.</param>
internal sealed record PaymentDecisions(IReadOnlyList<ItemSettlement> Items, IReadOnlyList<ItemDiscount?> Granted)
{
    /// <param name="paid">What was paid.</param>
    /// <param name="settled">How it settles the items without any decision.</param>
    internal static PaymentDecisions On(
        Money paid,
        ItemsSettlement settled,
        ItemNeed[] needs,
        PaymentChoice[] choices,
        ShortPayAllowance allowance,
        RoundingRule rounding
    )
    {
        var shortfall = needs
            .Select((n, i) => n.IsCredit ? settled.Items[i].Cash : n.Owed)
            .Aggregate(-paid, (sum, amount) => sum + amount);
        ItemDiscount?[] granted =
        [
            .. needs.Select(
                (n, i) =>
                    n.IsCredit || choices[i].Discount != DiscountChoice.Grant
                        ? null
                        : Granting(n, choices[i], shortfall)
            ),
        ];
        if (granted.Any(g => g is not null) && Matched(paid, needs, choices, granted, rounding) is { } matched)
            return new(matched, granted);
        ItemSettlement[] items =
        [
            .. needs.Select(
                (n, i) =>
                    n.IsCredit
                        ? settled.Items[i]
                        : Decided(settled.Items[i], n, choices[i], granted[i], allowance, rounding)
            ),
        ];
        ItemsSettlement.Over(paid, items);
        return new(items, granted);
    }

    // What was granted makes the items match where they then need just what was paid, or that less discounts which had ended
    // and were deducted all the same: those stay open.
    private static ItemSettlement[]? Matched(
        Money paid,
        ItemNeed[] needs,
        PaymentChoice[] choices,
        ItemDiscount?[] granted,
        RoundingRule rounding
    )
    {
        ItemNeed[] less =
        [
            .. needs.Select(
                (n, i) =>
                    granted[i] is { } g ? n with { Open = n.Open - g.Amount, Owed = n.Owed - g.Amount, Discounts = [] }
                    : choices[i].Discount == DiscountChoice.Refuse ? n.WithoutDiscount()
                    : n
            ),
        ];
        return (
            ItemsSettlement.Matched(paid, less, rounding, out _)?.Items
            ?? ItemsSettlement
                .Matched(paid, [.. less.Select(Deducted)], rounding, out _)
                ?.Items.Select((s, i) => s.Discount > less[i].Discount ? Unearned(s, less[i]) : s)
        )
            ?.Select((s, i) => granted[i] is { } g ? s with { Discount = g.Amount } : s)
            .ToArray();
    }

    // As if the discount that ended last were still in force, where none is.
    private static ItemNeed Deducted(ItemNeed need) =>
        need.InForce is not null || need.IsCredit || need.Discounts.MaxBy(d => d.LastDay) is not { } last
            ? need
            : need with
            {
                Discounts = [last with { Deadline = DateOnly.MaxValue.AddDays(-last.GraceDays) }],
            };

    private static ItemSettlement Unearned(ItemSettlement s, ItemNeed need)
    {
        var ended = need.Ended(s.Discount);
        return s with
        {
            Discount = Money.Zero(s.Cash.Currency),
            StaysOpen = s.StaysOpen + s.Discount,
            Findings = ended is null
                ? [new ReceiptFinding.Short(s.StaysOpen + s.Discount)]
                :
                [
                    new ReceiptFinding.DiscountUnearned(
                        need.ValueDate.DayNumber - ended.LastDay.DayNumber,
                        ended.Amount,
                        ended.Deadline
                    ),
                ],
        };
    }

    private static ItemSettlement Decided(
        ItemSettlement s,
        ItemNeed need,
        PaymentChoice choice,
        ItemDiscount? granted,
        ShortPayAllowance allowance,
        RoundingRule rounding
    )
    {
        var zero = Money.Zero(s.Cash.Currency);
        var decided =
            granted is not null
                ? ItemSettlement.Granted(
                    s.Cash,
                    need.Open,
                    granted.Amount,
                    choice.WriteOff == WriteOffChoice.Refuse ? ShortPayAllowance.None : allowance
                )
            : choice.Discount == DiscountChoice.Refuse && s.Discount > zero ? Again(s, need.WithoutDiscount(), rounding)
            : choice.WriteOff == WriteOffChoice.Refuse && s.WriteOff > zero ? Again(s, need, rounding)
            : s;
        decided = decided with { OnAccount = zero };
        return choice.WriteOff == WriteOffChoice.Whole
            ? decided.WithRestWrittenOff(
                choice.Discount == DiscountChoice.Refuse || granted is not null ? zero : need.Discount
            )
            : decided;
    }

    // The same cash without what was refused; nothing is written off in its place.
    private static ItemSettlement Again(ItemSettlement s, ItemNeed need, RoundingRule rounding) =>
        s.Cash.IsZero
            ? ItemSettlement.None(need.Open)
            : ItemSettlement.Of(s.Cash, need, ShortPayAllowance.None, rounding);

    // The step that was named, else the one in force, else the very one that the shortfall speaks of, else the last to pass.
    private static ItemDiscount? Granting(ItemNeed need, PaymentChoice choice, Money shortfall)
    {
        var offered = need.Discounts.Where(d => d.Amount.Minor > 0).ToArray();
        var step = choice.Step is { } named
            ? offered.FirstOrDefault(d => d.Deadline == named)
            : need.InForce ?? offered.FirstOrDefault(d => d.Amount == shortfall) ?? offered.MaxBy(d => d.LastDay);
        return step is null ? null : step with { Amount = Money.Min(step.Amount, need.Open) };
    }
}
