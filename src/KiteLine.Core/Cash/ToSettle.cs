namespace KiteLine.Core;

/// <summary>What a customer must pay on a day to owe nothing.</summary>
/// <param name="Open">Open items, credits taken off, without reminder fees.</param>
/// <param name="Discount">Discounts that paying on the day still earns.</param>
/// <param name="LateCharges">Charges accrued through the day and not raised.</param>
/// <param name="Fees">Reminder fees, posted and still open, or demanded and not posted.</param>
public sealed record ToSettle(
    DateOnly On, Money Open, Money Discount, int DiscountItems, Money LateCharges, Money Fees, NextChange? NextChange,
    IReadOnlyList<ItemCharge> Charges, IReadOnlyList<Working> Workings)
{
    /// <summary>Open − discount + late charges + fees.</summary>
    public Money ToPay => Open - Discount + LateCharges + Fees;

    /// <summary>Works out the amount for an account.</summary>
    /// <param name="policy">The account's late-charge policy, or null when it is charged nothing.</param>
    public static ToSettle For(
        IReadOnlyList<Item> items, IReadOnlyList<UnpostedFee> unposted, LateChargePolicy? policy, Currency currency, DateOnly on,
        RoundingRule rounding = RoundingRule.HalfAwayFromZero)
    {
        ArgumentNullException.ThrowIfNull(items);
        ArgumentNullException.ThrowIfNull(unposted);
        var zero = Money.Zero(currency);
        var (open, discount, charged, fees) = (zero, zero, zero, zero);
        var discounted = 0;
        var charges = new List<ItemCharge>();
        var workings = new List<Working>();

        foreach (var item in items)
        {
            var amount = item.OpenAt(on);
            if (amount.IsZero || item.Kind == ItemKind.ReminderFee) continue;
            open += amount;
            workings.Add(new(item.Document, amount.Minor < 0 ? "credit" : $"open, due {Exactly.Day(item.Due)}", $"{amount}"));
        }

        workings.Add(new("Open items", "sum of the above", $"{open}"));
        foreach (var item in items)
        {
            if (item.DiscountOn(on) is not { } d) continue;
            discount += d.Amount;
            discounted++;
            var grace = d.GraceDays == 0 ? "" : $" and {d.GraceDays} days' grace";
            workings.Add(new($"{item.Document}: discount", $"earned until {Exactly.Day(d.Deadline)}{grace}", $"−{d.Amount}"));
        }

        if (policy is not null)
        {
            foreach (var charge in AccountCharges.On(items, policy, on, rounding))
            {
                if (charge.Total.IsZero) continue;
                charged += charge.Total;
                charges.Add(charge);
                workings.AddRange(ChargeWorkings.Of(policy, charge, charge.Item.Document));
            }
        }

        foreach (var item in items.Where(i => i.Kind == ItemKind.ReminderFee && !i.OpenAt(on).IsZero))
        {
            fees += item.OpenAt(on);
            workings.Add(new(item.Document, $"reminder fee of {Exactly.Day(item.Date)}, still open", $"{item.OpenAt(on)}"));
        }

        foreach (var fee in unposted.Where(f => f.Date <= on))
        {
            fees += fee.Amount;
            workings.Add(new(fee.Reminder, $"reminder fee of {Exactly.Day(fee.Date)}, demanded and not posted", $"{fee.Amount}"));
        }

        var result = new ToSettle(on, open, discount, discounted, charged, fees, Next(items, policy, on), charges, workings);
        workings.Add(new("To pay", $"{open} − {discount} discount + {charged} late charges + {fees} fees", $"{result.ToPay}"));
        return result;
    }

    private static NextChange? Next(IReadOnlyList<Item> items, LateChargePolicy? policy, DateOnly on)
    {
        NextChange? next = null;
        foreach (var item in items)
        {
            if (item.OpenAt(on).Minor <= 0) continue;
            if (item.DiscountOn(on) is { } d)
                Consider(d.LastDay.AddDays(1), $"discount of {d.Amount} on {item.Document} ends after {Exactly.Day(d.LastDay)}");
            if (policy is not null && policy.Bears(item) && item.Due.AddDays(policy.WaitDays) >= on)
                Consider(item.Due.AddDays(policy.WaitDays + 1), $"{policy.Label.ToLowerInvariant()} on {item.Document} begins");
        }

        return next;

        void Consider(DateOnly date, string reason)
        {
            if (date <= on || date > next?.Date) return;
            next = next?.Date == date ? new(date, $"{next.Reason}; {reason}") : new(date, reason);
        }
    }
}
