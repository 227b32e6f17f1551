namespace KiteLine.Core;

/// <summary>
/// What a customer must pay on a day to owe nothing, by value. Of a past day it is what the customer would have had to
/// pay then: open amounts and discounts by value, documents and letters dated up to the day, interest up to it that no
/// charge dated up to it had raised. What is posted later with a later date never changes it. Of a day to come it is
/// as things stand today, moved forward.
/// </summary>
/// <param name="Open">Open items, credits taken off, without reminder fees.</param>
/// <param name="Discount">Discounts that paying on the day still earns.</param>
/// <param name="DiscountItems">On how many items.</param>
/// <param name="LateCharges">Charges accrued through the day and not raised, corrections and tax included.</param>
/// <param name="Fees">Reminder fees, posted and still open, or asked for and not posted.</param>
public sealed record ToSettle(
    DateOnly On,
    Money Open,
    Money Discount,
    int DiscountItems,
    Money LateCharges,
    Money Fees,
    NextChange? NextChange,
    IReadOnlyList<ItemCharge> Charges,
    IReadOnlyList<Working> Workings
)
{
    /// <summary>Open − discount + late charges + fees.</summary>
    public Money ToPay => Open - Discount + LateCharges + Fees;

    /// <summary>Works out the amount for an account.</summary>
    public static ToSettle For(AccountLedger ledger, DateOnly on, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(ledger);
        ArgumentNullException.ThrowIfNull(rules);
        ledger = ledger with { Items = Item.AsOn(ledger.Items, on) };
        var (items, zero) = (ledger.Items, Money.Zero(ledger.Currency));
        var (open, discount, fees) = (zero, zero, zero);
        var discounted = 0;
        var workings = new List<Working>();

        foreach (var item in items)
        {
            var amount = item.OpenByValue(on);
            if (amount.IsZero || item.Kind == ItemKind.ReminderFee)
                continue;
            open += amount;
            var disputed = item.DisputedOn(on, amount);
            workings.Add(
                new(
                    item.Document,
                    amount.Minor < 0
                        ? "credit"
                        : $"open, due {Exactly.Day(item.Due)}{(disputed.IsZero ? "" : $"; {disputed} of it disputed")}",
                    $"{amount}"
                )
            );
        }

        workings.Add(new("Open items", "sum of the above, by value", $"{open}"));
        foreach (var item in items)
        {
            if (item.DiscountOn(on, rules.Rounding) is not { } d)
                continue;
            discount += d.Amount;
            discounted++;
            var grace = d.GraceDays == 0 ? "" : $" and {d.GraceDays} days' grace";
            workings.Add(
                new($"{item.Document}: discount", $"earned until {Exactly.Day(d.Deadline)}{grace}", $"−{d.Amount}")
            );
        }

        var (charges, charged) = Charged(ledger, on, rules, workings);
        foreach (var item in items.Where(i => i.Kind == ItemKind.ReminderFee && !i.OpenByValue(on).IsZero))
        {
            fees += item.OpenByValue(on);
            workings.Add(
                new(item.Document, $"reminder fee of {Exactly.Day(item.Date)}, still open", $"{item.OpenByValue(on)}")
            );
        }

        foreach (var fee in ShownFee.On(ledger.Letters, items, on))
        {
            fees += fee.Amount;
            workings.Add(
                new(fee.Reminder, $"reminder fee of {Exactly.Day(fee.Date)}, asked for and not posted", $"{fee.Amount}")
            );
        }

        var result = new ToSettle(
            on,
            open,
            discount,
            discounted,
            charged,
            fees,
            NextChange.After(ledger, on, rules),
            charges,
            workings
        );
        workings.Add(
            new("To pay", $"{open} − {discount} discount + {charged} late charges + {fees} fees", $"{result.ToPay}")
        );
        return result;
    }

    private static (IReadOnlyList<ItemCharge> Lines, Money Charged) Charged(
        AccountLedger ledger,
        DateOnly on,
        BooksRules rules,
        List<Working> workings
    )
    {
        var zero = Money.Zero(ledger.Currency);
        if (ledger.Policy is not { } policy)
            return ([], zero);
        var accrued = AccountCharges.On(ledger.Items, policy, on, on, rules).Asked(policy, on);
        if (accrued.LeftOut is { } why)
            workings.Add(new(policy.Label, $"left out: {why}", "—"));
        var inCurrency = policy.In(ledger.Currency, on < rules.Today ? on : rules.Today, rules.Rates) ?? policy;
        foreach (var line in accrued.Lines)
            workings.AddRange(ChargeWorkings.Of(inCurrency, line, rules.Rounding, line.Item.Document));
        var net = accrued.Net(ledger.Currency);
        var tax = LateChargeTax.Of(ledger.ChargeTax, net, on, rules.Rounding);
        if (!tax.IsZero)
            workings.Add(
                new(
                    $"Tax on {policy.Label.ToLowerInvariant()}",
                    $"{net} × {Exactly.Plain(ledger.ChargeTax!.On(on)!.Percent)} %, rounded once",
                    $"{tax}"
                )
            );
        return (accrued.Lines, net + tax);
    }
}
