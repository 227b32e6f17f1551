namespace KiteLine.Core;

/// <summary>One debit or credit on an account with everything that is needed to compute on it.</summary>
public sealed record Item
{
    /// <summary>The item's identifier in the books.</summary>
    public required long Id { get; init; }

    /// <summary>The document number, with the instalment where there are several.</summary>
    public required string Document { get; init; }

    public required ItemKind Kind { get; init; }

    /// <summary>The document date.</summary>
    public required DateOnly Date { get; init; }

    public required DateOnly Due { get; init; }

    /// <summary>All changes of the open amount, the opening first.</summary>
    public required IReadOnlyList<Movement> Movements { get; init; }

    /// <summary>Discounts the item offers, in the order of the terms.</summary>
    public IReadOnlyList<ItemDiscount> Discounts { get; init; } = [];

    /// <summary>Whether a part payment earns its share of a discount; otherwise a discount is given once, on settling in full.</summary>
    public bool PartPayments { get; init; }

    /// <summary>The last day for which a late charge has been raised, or null.</summary>
    public DateOnly? ChargedThrough { get; init; }

    /// <summary>Interest raised on the item so far, compensation aside; null when none was.</summary>
    public Money? InterestCharged { get; init; }

    /// <summary>Whether the fixed sum for being late was raised already.</summary>
    public bool Compensated { get; init; }

    /// <summary>The reminder level reached; 0 before the first.</summary>
    public int ReminderLevel { get; init; }

    /// <summary>How many reminders it was in so far.</summary>
    public int Reminders { get; init; }

    /// <summary>The date of the last reminder, or null.</summary>
    public DateOnly? RemindedOn { get; init; }

    /// <summary>The currency of the account.</summary>
    public Currency Currency => Movements[0].Amount.Currency;

    /// <summary>The amount the item opened with.</summary>
    public Money Opened => Movements[0].Amount;

    /// <summary>What is left of the item at the end of the given day; nothing before its date.</summary>
    public Money OpenAt(DateOnly day)
    {
        long sum = 0;
        foreach (var movement in Movements)
            if (movement.ValueDate <= day) sum += movement.Amount.Minor;
        return Money.FromMinor(sum, Currency);
    }

    /// <summary>Days past the due date; zero or below while the item is not overdue.</summary>
    public int DaysOverdue(DateOnly day) => day.DayNumber - Due.DayNumber;

    /// <summary>
    /// The discounts still to be had: all that the item offers, or none once one was given. Where part payments earn
    /// their share, what is open still offers its own share of each.
    /// </summary>
    public IReadOnlyList<ItemDiscount> DiscountsLeft
    {
        get
        {
            if (PartPayments)
            {
                var open = OpenAt(DateOnly.MaxValue);
                return open == Opened || Opened.IsZero ? Discounts
                    : [.. Discounts.Select(d => d with { Amount = Money.Round(d.Amount.Amount * open.Amount / Opened.Amount, Currency) })];
            }

            long given = 0;
            foreach (var movement in Movements)
                if (movement.Kind == MovementKind.Discount) given += movement.Amount.Minor;
            return given == 0 ? Discounts : [];
        }
    }

    /// <summary>
    /// The largest discount that paying the item in full on this day still earns, never more than what is open.
    /// Null when every deadline has passed or a discount was already given.
    /// </summary>
    public ItemDiscount? DiscountOn(DateOnly day)
    {
        var open = OpenAt(day);
        if (open.Minor <= 0) return null;
        var best = DiscountsLeft.Where(d => d.LastDay >= day).OrderByDescending(d => d.Amount.Minor).FirstOrDefault();
        return best is null ? null : best with { Amount = Money.Min(best.Amount, open) };
    }
}
