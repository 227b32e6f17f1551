namespace KiteLine.Core;

/// <summary>One debit or credit on an account with everything that is needed to compute on it.</summary>
/// <remarks>
/// "What was open on a day" has two answers. <see cref="OpenByValue"/> is what interest, discounts, to settle,
/// statements and days to pay go by; <see cref="OpenAsShown"/> is what exposure, ageing and the board go by, and never
/// changes for a day that has passed.
/// </remarks>
public sealed record Item
{
    /// <summary>The item's identifier in the books.</summary>
    public required long Id { get; init; }

    /// <summary>The document number, with the instalment where there are several.</summary>
    public required string Document { get; init; }

    /// <summary>What it is.</summary>
    public required ItemKind Kind { get; init; }

    /// <summary>The document date.</summary>
    public required DateOnly Date { get; init; }

    /// <summary>The last day to pay it in time; paying on it costs nothing.</summary>
    public required DateOnly Due { get; init; }

    /// <summary>All changes of the open amount, the opening first.</summary>
    public required IReadOnlyList<Movement> Movements { get; init; }

    /// <summary>Discounts the item offers, in the order of the terms.</summary>
    public IReadOnlyList<ItemDiscount> Discounts { get; init; } = [];

    /// <summary>What credit notes of its own invoice were set against it, on which value dates.</summary>
    public IReadOnlyList<(DateOnly ValueDate, Money Amount)> Credits { get; init; } = [];

    /// <summary>
    /// Whether a part payment earns its share of a discount; otherwise a discount is given once, on settling in full.
    /// </summary>
    public bool PartPayments { get; init; }

    /// <summary>
    /// What late charges raised on the item, in the order in which they were raised; without those that were reversed.
    /// </summary>
    public IReadOnlyList<RaisedLine> Raised { get; init; } = [];

    /// <summary>What the customer disputes of it.</summary>
    public IReadOnlyList<ItemDispute> Disputes { get; init; } = [];

    /// <summary>The reminder level reached; 0 before the first.</summary>
    public int ReminderLevel { get; init; }

    /// <summary>How many reminders it was in so far.</summary>
    public int Reminders { get; init; }

    /// <summary>The date of the last reminder, or null.</summary>
    public DateOnly? RemindedOn { get; init; }

    /// <summary>What it said before its invoice was amended, in the order of the amendments; by value.</summary>
    public IReadOnlyList<FormerTerms> Former { get; init; } = [];

    /// <summary>The item with the due date and the discounts of a day, by value: an amendment holds from its date on.</summary>
    public Item AsOn(DateOnly day)
    {
        for (var i = 0; i < Former.Count; i++)
            if (day < Former[i].Until)
                return this with
                {
                    Due = Former[i].Due,
                    Discounts = Former[i].Discounts,
                    PartPayments = Former[i].PartPayments,
                    Former = [],
                };
        return this;
    }

    /// <summary>Items with the due dates and discounts of a day, by value; the list itself where none was amended.</summary>
    public static IReadOnlyList<Item> AsOn(IReadOnlyList<Item> items, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(items);
        for (var i = 0; i < items.Count; i++)
            if (items[i].Former.Count > 0)
                return [.. items.Select(item => item.AsOn(day))];
        return items;
    }

    /// <summary>The currency of the account.</summary>
    public Currency Currency => Movements[0].Amount.Currency;

    /// <summary>The amount the item opened with.</summary>
    public Money Opened => Movements[0].Amount;

    /// <summary>What is left of the item with everything that was posted: what an allocation can still take.</summary>
    public Money Left => OpenByValue(DateOnly.MaxValue);

    /// <summary>
    /// What was open at the end of a day by value: movements with a value date up to it, whenever they were posted.
    /// </summary>
    public Money OpenByValue(DateOnly day)
    {
        long sum = 0;
        for (var i = 0; i < Movements.Count; i++)
            if (Movements[i].ValueDate <= day)
                sum += Movements[i].Amount.Minor;
        return Money.FromMinor(sum, Currency);
    }

    /// <summary>
    /// What the books showed as open at the end of a day: a movement counts from the later of its two dates.
    /// </summary>
    public Money OpenAsShown(DateOnly day)
    {
        long sum = 0;
        for (var i = 0; i < Movements.Count; i++)
            if (Movements[i].ShownFrom <= day)
                sum += Movements[i].Amount.Minor;
        return Money.FromMinor(sum, Currency);
    }

    /// <summary>What is disputed on a day of an amount that is open, never more than that.</summary>
    public Money DisputedOn(DateOnly day, Money open)
    {
        long sum = 0;
        for (var i = 0; i < Disputes.Count; i++)
            if (Disputes[i].OpenOn(day))
                sum += Disputes[i].Amount.Minor;
        return Money.FromMinor(Math.Min(sum, Math.Max(0, open.Minor)), Currency);
    }

    /// <summary>The last day that a late charge covers of those dated up to a day, or null.</summary>
    public DateOnly? ChargedThrough(DateOnly known)
    {
        DateOnly? last = null;
        for (var i = 0; i < Raised.Count; i++)
            if (Raised[i].Date <= known && !(Raised[i].Through <= last))
                last = Raised[i].Through;
        return last;
    }

    /// <summary>Days past the due date; zero or below while the item is not overdue.</summary>
    public int DaysOverdue(DateOnly day) => day.DayNumber - AsOn(day).Due.DayNumber;

    /// <summary>
    /// The discounts still to be had on a day, by value: all that the item offers, less what its credit notes take off
    /// them and what was given of them. Where part payments earn their share, what is open offers its own share of each,
    /// rounded once.
    /// </summary>
    public IReadOnlyList<ItemDiscount> DiscountsLeft(DateOnly day, RoundingRule rounding)
    {
        if (Former.Count > 0 && AsOn(day) is var former && !ReferenceEquals(former, this))
            return former.DiscountsLeft(day, rounding);
        if (Discounts.Count == 0)
            return Discounts;
        var discounts = Credits.Count == 0 ? Discounts : [.. Discounts.Select(d => d.On(day))];
        if (!PartPayments)
            return Less(discounts, Given(day));
        var (open, owed) = (OpenByValue(day), Owed(day));
        return open == owed || owed.Minor <= 0
            ? discounts
            :
            [
                .. discounts.Select(d =>
                    d with
                    {
                        Amount = Money.Round(d.Amount.Amount * open.Amount / owed.Amount, Currency, rounding),
                    }
                ),
            ];
    }

    /// <summary>
    /// The largest discount that paying the item in full on this day earns, by value, never more than what is open
    /// then. Null before the document's date, when every deadline has passed, or when it was already given.
    /// </summary>
    public ItemDiscount? DiscountOn(DateOnly day, RoundingRule rounding)
    {
        if ((Discounts.Count == 0 && Former.Count == 0) || day < Date)
            return null;
        var open = OpenByValue(day);
        return open.Minor <= 0 ? null : ItemDiscount.Best(DiscountsLeft(day, rounding), day, open);
    }

    /// <summary>
    /// The item as cash with value on a day finds it. What was owed and which discounts were offered are those of the day,
    /// by value; a discount that was given, whenever it was, is given once.
    /// </summary>
    public ItemNeed NeedOn(DateOnly valueDate, RoundingRule rounding)
    {
        if (Former.Count > 0 && AsOn(valueDate) is var former && !ReferenceEquals(former, this))
            return former.NeedOn(valueDate, rounding);
        var open = Left;
        if (open.Minor < 0)
            return new(open, [], valueDate);
        var (before, day) = (valueDate < Date, valueDate < Date ? Date : valueDate);
        var owed = Money.Max(open, OpenByValue(day));
        if (Discounts.Count == 0)
            return new(open, owed, [], valueDate, PartPayments, before);
        var given = Given(DateOnly.MaxValue);
        IReadOnlyList<ItemDiscount> left = PartPayments
            ?
            [
                .. DiscountsLeft(day, rounding)
                    .Zip(Less([.. Discounts.Select(d => d.On(day))], given))
                    .Select(d => d.First with { Amount = Money.Min(d.First.Amount, d.Second.Amount) }),
            ]
            : Less([.. Discounts.Select(d => d.On(day))], given);
        return new(open, owed, left, valueDate, PartPayments, before);
    }

    /// <summary>What the customer owed of it by value without what was paid: its amount less its credit notes.</summary>
    public Money Owed(DateOnly day)
    {
        var owed = Opened;
        foreach (var credit in Credits)
            if (credit.ValueDate <= day)
                owed -= credit.Amount;
        return owed;
    }

    /// <summary>Sum of the discounts that were given up to a day, by value; what was reversed does not count.</summary>
    public Money Given(DateOnly day) => Taken(MovementKind.Discount, day);

    /// <summary>Sum of the cash that settled it up to a day, by value; what was reversed does not count.</summary>
    public Money Cash(DateOnly day) => Taken(MovementKind.Cash, day);

    private Money Taken(MovementKind kind, DateOnly day)
    {
        long taken = 0;
        for (var i = 0; i < Movements.Count; i++)
            if (Movements[i].Kind == kind && Movements[i].ValueDate <= day)
                taken -= Movements[i].Amount.Minor;
        return Money.FromMinor(taken, Currency);
    }

    private static IReadOnlyList<ItemDiscount> Less(IReadOnlyList<ItemDiscount> discounts, Money given) =>
        given.Minor <= 0
            ? discounts
            : [.. discounts.Select(d => d with { Amount = Money.Max(Money.Zero(given.Currency), d.Amount - given) })];
}
