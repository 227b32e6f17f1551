using System.Runtime.InteropServices;

namespace KiteLine.Core;

/// <summary>The late charges that an account's items have accrued and that were not raised yet.</summary>
public static class AccountCharges
{
    /// <summary>
    /// For each item that the policy charges, in the order given, what it has accrued from where it was last charged up
    /// to and including a day. Where the policy limits what a run may charge an account, the items due first go first.
    /// </summary>
    /// <param name="items">All items of the account, closed ones too: they may have been late before they were paid.</param>
    /// <param name="policy">The policy, which must have no <see cref="LateChargePolicy.Problems"/>.</param>
    public static IReadOnlyList<ItemCharge> On(
        IReadOnlyList<Item> items, LateChargePolicy policy, DateOnly through, RoundingRule rounding = RoundingRule.HalfAwayFromZero)
    {
        ArgumentNullException.ThrowIfNull(items);
        ArgumentNullException.ThrowIfNull(policy);
        var charged = items.Where(policy.Bears).ToArray();
        var shared = policy is { BandsOn: BandsOn.Account, Bands.Count: > 0, Method: ChargeMethod.Daily } ? AccountBands.Accrue(policy, charged, through) : null;
        var charges = charged.Select((item, i) => One(item, policy, shared?[i] ?? Segments(item, policy, through), through, rounding)).ToArray();
        return policy.MaximumPerRun is { } most ? Within(charges, most, rounding) : charges;
    }

    private static ItemCharge One(Item item, LateChargePolicy policy, List<ChargeSegment> segments, DateOnly through, RoundingRule rounding)
    {
        var currency = item.Currency;
        var zero = Money.Zero(currency);
        var interest = DailyMethod.Total(policy, segments, currency, rounding);
        if (policy.MaximumOverLife is { } life)
            interest = Money.Max(zero, Money.Min(interest, Money.Round(life, currency, rounding) - (item.InterestCharged ?? zero)));
        var compensation = segments.Count > 0 && !item.Compensated
            ? Money.Round(policy.CompensationFor(item.OpenAt(item.Due).Amount), currency, rounding)
            : zero;
        return new(item, through, interest, compensation, segments);
    }

    private static List<ChargeSegment> Segments(Item item, LateChargePolicy policy, DateOnly through)
    {
        var changes = new List<BalanceChange>(item.Movements.Count);
        for (var i = 1; i < item.Movements.Count; i++) changes.Add(new(item.Movements[i].ValueDate, item.Movements[i].Amount.Amount));
        changes.Sort((a, b) => a.Date.CompareTo(b.Date));
        var segments = new List<ChargeSegment>();
        var span = CollectionsMarshal.AsSpan(changes);
        if (policy.Method == ChargeMethod.Monthly) MonthlyMethod.Accrue(policy, item.Opened.Amount, span, item.Due, item.ChargedThrough, through, segments);
        else DailyMethod.Accrue(policy, item.Opened.Amount, span, item.Due, item.ChargedThrough, through, segments);
        return segments;
    }

    private static ItemCharge[] Within(ItemCharge[] charges, decimal most, RoundingRule rounding)
    {
        if (charges.Length == 0) return charges;
        var left = Money.Round(most, charges[0].Interest.Currency, rounding);
        foreach (var i in Enumerable.Range(0, charges.Length).OrderBy(i => charges[i].Item.Due).ThenBy(i => charges[i].Item.Id))
        {
            // The fixed sum comes first; interest takes what is left.
            var compensation = Money.Min(charges[i].Compensation, left);
            var interest = Money.Min(charges[i].Interest, left - compensation);
            charges[i] = charges[i] with { Compensation = compensation, Interest = interest };
            left -= compensation + interest;
        }

        return charges;
    }
}
