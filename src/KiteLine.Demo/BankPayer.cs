using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>How one customer pays on one day, as customers do: some exactly, some in their own way.</summary>
/// <param name="open">Its open items, oldest due first.</param>
internal sealed class BankPayer(Account account, IReadOnlyList<ItemDetail> open, DateOnly day, Random random)
{
    private const int Ways = 10;

    private readonly ItemDetail[] _debits =
    [
        .. open.Where(d => d.Item.Left.Minor > 0 && d.Item.Kind == ItemKind.Invoice),
    ];
    private readonly ItemDetail? _credit = open.FirstOrDefault(d =>
        d.Item.Kind == ItemKind.CreditNote && d.Item.Left.Minor < 0
    );
    private readonly string _iban = MadeUpIban.Of(account.Id);

    /// <summary>A payment in the way of this number; null where the account does not lend itself to it.</summary>
    internal BankMovement? Way(int number)
    {
        if (_debits.Length == 0)
            return null;
        var first = _debits[0];
        return (number % Ways) switch
        {
            0 => Pay(first.Item.Left, $"PAYMENT {first.Number}", "WITH THANKS"),
            1 when _debits.Length > 1 => Pay(
                Less(first) + Less(_debits[1]),
                $"INV {Digits(first)} AND INV {Digits(_debits[1])}",
                "LESS DISC"
            ),
            2 => Pay(Less(first)) with { Structured = CreditorReference.Of(NamedDocuments.Plain(first.Number)) },
            3 when Late() is { } late => Pay(
                late.Detail.Item.Left - late.Discount,
                $"{late.Detail.Number} LESS DISCOUNT"
            ),
            4 when first.Item.Left.Amount > 50 => Pay(first.Item.Left - Fee, $"{account.Code} {first.Number}") with
            {
                Charges = Fee,
            },
            5 when _credit is not null && _debits.Length > 1 => Pay(
                first.Item.Left + _debits[1].Item.Left + _credit.Item.Left,
                $"{first.Number}, {_debits[1].Number}",
                $"LESS {_credit.Number}"
            ),
            6 => Pay(_debits[^1].Item.Left),
            7 => Pay(Money.Exact(50 * random.Next(2, 9), account.Currency), "INVOICE MARCH", "THANK YOU") with
            {
                Other =
                    $"{(char)('A' + random.Next(20))} WETHERBY T/A {account.Name.Split(' ')[0].ToUpperInvariant()}S",
                OtherAccount = MadeUpIban.Of(account.Id + 5000),
            },
            8 when first.Item.Left.Amount > 100 => Pay(
                first.Item.Left - Money.Exact(Math.Round(first.Item.Left.Amount * 0.12m, 2), account.Currency),
                $"{first.Number} LESS SHORT DELIVERY"
            ),
            9 => Pay(Money.Exact(100 * random.Next(3, 12), account.Currency), $"{account.Code} ON ACCOUNT"),
            _ => null,
        };
    }

    private Money Fee => Money.Exact(4.50m, account.Currency);

    private BankMovement Pay(Money amount, params string[] lines) =>
        new(amount, account.Name.ToUpperInvariant(), _iban, lines)
        {
            EndToEnd = random.Next(3) == 0 ? $"{account.Code}-{day:yyMMdd}" : "NOTPROVIDED",
        };

    private Money Less(ItemDetail detail) =>
        detail.Item.Left
        - (detail.Item.DiscountOn(day, RoundingRule.HalfAwayFromZero)?.Amount ?? Money.Zero(account.Currency));

    private (ItemDetail Detail, Money Discount)? Late() =>
        _debits
            .SelectMany(d =>
                d.Item.DiscountsLeft(DateOnly.MaxValue, RoundingRule.HalfAwayFromZero)
                    .Where(x => x.LastDay < day)
                    .Select(x => ((ItemDetail, Money)?)(d, x.Amount))
            )
            .LastOrDefault();

    // What stands between the letters and the number of a document, customers leave out.
    private static string Digits(ItemDetail detail) => detail.Number.Split('-')[^1];
}
