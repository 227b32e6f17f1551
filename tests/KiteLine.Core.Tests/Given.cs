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

    internal static Movement Moved(MovementKind kind, string day, decimal amount) => new(kind, Day(day), Pounds(amount));

    internal static Item Invoice(
        string document, decimal amount, string date, string due, long id = 1, IReadOnlyList<ItemDiscount>? discounts = null, params Movement[] later) => new()
        {
            Id = id,
            Document = document,
            Kind = ItemKind.Invoice,
            Date = Day(date),
            Due = Day(due),
            Movements = [Moved(MovementKind.Opened, date, amount), .. later],
            Discounts = discounts ?? [],
        };

    internal static Item Credit(decimal amount, string date, long id = 90) => new()
    {
        Id = id,
        Document = "CRN-1",
        Kind = ItemKind.CreditNote,
        Date = Day(date),
        Due = Day(date),
        Movements = [Moved(MovementKind.Opened, date, -amount)],
    };

    internal static ItemDiscount Discount(string deadline, decimal amount, int grace = 0) => new(Day(deadline), grace, Pounds(amount));

    internal static InvoiceAmounts Amounts(decimal net, decimal tax = 0, decimal notDiscountable = 0) => new(Pounds(net), Pounds(tax), Pounds(notDiscountable));

    /// <summary>What one item of an account with no others has accrued.</summary>
    internal static ItemCharge Charge(Item item, LateChargePolicy policy, DateOnly through) => AccountCharges.On([item], policy, through).SingleOrDefault()
        ?? new(item, through, Money.Zero(item.Currency), Money.Zero(item.Currency), []);

    internal static LateChargePolicy Policy(decimal rate = 12, int wait = 0, string dayCount = "act/365f") => new()
    {
        Rates = [new(new(2000, 1, 1), rate)],
        DayCount = DayCount.Of(dayCount),
        WaitDays = wait,
    };
}
