using CsCheck;

namespace KiteLine.Core.Tests;

/// <summary>Short ways to write down what a test starts from, and generators of it.</summary>
internal static class Given
{
    internal static readonly Currency Gbp = Currency.Of("GBP");

    /// <summary>Days of the years that tests range over.</summary>
    internal static readonly Gen<DateOnly> AnyDay = Gen.Int[0, 4000].Select(n => new DateOnly(2018, 1, 1).AddDays(n));

    internal static DateOnly Day(string iso) => Reference.Day(iso);

    internal static Money Pounds(decimal amount) => Money.Exact(amount, Gbp);

    internal static Movement Moved(MovementKind kind, string day, decimal amount) =>
        new(kind, Day(day), Pounds(amount));

    internal static Item Invoice(
        string document,
        decimal amount,
        string date,
        string due,
        long id = 1,
        IReadOnlyList<ItemDiscount>? discounts = null,
        params Movement[] later
    ) =>
        new()
        {
            Id = id,
            Document = document,
            Kind = ItemKind.Invoice,
            Date = Day(date),
            Due = Day(due),
            Movements = [Moved(MovementKind.Opened, date, amount), .. later],
            Discounts = discounts ?? [],
        };

    internal static Item Credit(decimal amount, string date, long id = 90) =>
        new()
        {
            Id = id,
            Document = "CRN-1",
            Kind = ItemKind.CreditNote,
            Date = Day(date),
            Due = Day(date),
            Movements = [Moved(MovementKind.Opened, date, -amount)],
        };

    internal static ItemDiscount Discount(string deadline, decimal amount, int grace = 0) =>
        new(Day(deadline), grace, Pounds(amount));

    internal static InvoiceAmounts Amounts(decimal net, decimal tax = 0, decimal notDiscountable = 0) =>
        new(Pounds(net), Pounds(tax), Pounds(notDiscountable));

    /// <summary>
    /// The schedule of an invoice of a company that works from Monday to Friday and rounds halves away from zero.
    /// </summary>
    internal static PaymentSchedule Schedule(
        Terms terms,
        InvoiceAmounts amounts,
        DateOnly date,
        bool workings = false
    ) =>
        PaymentSchedule.For(
            terms,
            amounts,
            date,
            BusinessCalendar.WeekendsOnly,
            RoundingRule.HalfAwayFromZero,
            workings
        );

    /// <summary>What one item of an account with no others has accrued.</summary>
    internal static ItemCharge Charge(Item item, LateChargePolicy policy, DateOnly through, DateOnly? known = null) =>
        Charges([item], policy, through, known).SingleOrDefault(c => c.Item.Id == item.Id)
        ?? AccountCharges.OfItem(item, policy, through, through, RoundingRule.HalfAwayFromZero);

    /// <summary>
    /// What the items of an account have accrued; charges count as raised that are dated up to a day, the last day
    /// charged unless another is given.
    /// </summary>
    internal static IReadOnlyList<ItemCharge> Charges(
        IReadOnlyList<Item> items,
        LateChargePolicy policy,
        DateOnly through,
        DateOnly? known = null
    ) => AccountCharges.On(items, policy, through, known ?? through, Rules(known ?? through)).Lines;

    /// <summary>Rules of a company in pounds that works from Monday to Friday and has no rates of exchange.</summary>
    internal static BooksRules Rules(
        DateOnly today,
        RoundingRule rounding = RoundingRule.HalfAwayFromZero,
        DateOnly? closed = null,
        params ExchangeRate[] rates
    ) => new(today, rounding, BusinessCalendar.WeekendsOnly, true, closed, new(Gbp, rates, 7, rounding));

    /// <summary>
    /// The usual buckets, what counts by the given settings, and business days from Monday to Friday.
    /// </summary>
    internal static PositionRules Positions(ExposureSettings? settings = null, AgeingBuckets? buckets = null) =>
        new(settings ?? new(), buckets ?? AgeingBuckets.Default, BusinessCalendar.WeekendsOnly);

    /// <summary>Money that came in and is left on account, on an account in compact form.</summary>
    internal static BookAccount WithReceipt(
        BookAccount account,
        long minor,
        DateOnly valueDate,
        DateOnly? posted = null
    ) =>
        minor == 0
            ? account
            : account with
            {
                Items =
                [
                    .. account.Items,
                    new(ItemKind.Receipt, valueDate, valueDate, -minor, account.Movements.Length, 1),
                ],
                Movements = [.. account.Movements, new(valueDate, -minor, posted ?? valueDate)],
                ItemIds = [.. account.ItemIds, 99],
            };

    /// <summary>An account with these items, and no letters or promises.</summary>
    internal static AccountLedger Ledger(LateChargePolicy? policy, params Item[] items) =>
        new()
        {
            Book = new()
            {
                Id = 1,
                Code = "A",
                Name = "A",
                Currency = items.Length == 0 ? Gbp : items[0].Currency,
            },
            Items = items,
            Policy = policy,
        };

    internal static LateChargePolicy Policy(decimal rate = 12, int wait = 0, string dayCount = "act/365f") =>
        new()
        {
            Rates = [new(new(2000, 1, 1), rate)],
            DayCount = DayCount.Of(dayCount),
            WaitDays = wait,
        };
}
