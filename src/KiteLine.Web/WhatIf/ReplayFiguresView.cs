using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What happened, or would have, in the base currency.</summary>
internal sealed record ReplayFiguresView(
    MoneySum Discounts,
    int Discounted,
    MoneySum Charges,
    int Charged,
    MoneySum Fees,
    int Letters,
    MoneySum Held,
    int OrdersHeld,
    MoneySum Interest,
    MoneySum Brings
)
{
    internal static ReplayFiguresView Of(ReplayFigures f, Currency currency)
    {
        MoneySum Sum(decimal minor) => new((Int128)minor, currency);
        return new(
            Sum(f.Discounts),
            f.Discounted,
            Sum(f.Charges),
            f.Charged,
            Sum(f.Fees),
            f.Letters,
            Sum(f.Held),
            f.OrdersHeld,
            Sum(f.Interest),
            Sum(f.Brings)
        );
    }
}
