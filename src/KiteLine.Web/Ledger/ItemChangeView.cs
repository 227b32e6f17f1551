using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What one posting settled of an item or, with negative amounts, took back of what was settled.</summary>
/// <param name="ValueDate">The day it counts from.</param>
/// <param name="Posted">The day it entered the books.</param>
/// <param name="Cash">Paid; of a credit, used.</param>
/// <param name="SetOff">Settled by a credit note.</param>
internal sealed record ItemChangeView(
    DateOnly ValueDate,
    DateOnly Posted,
    Money Cash,
    Money Discount,
    Money WriteOff,
    Money SetOff
)
{
    // A strip is a picture; more marks than these are not told apart.
    private const int Most = 40;

    /// <summary>What the books show of an item on a day, the latest where there are many.</summary>
    internal static IReadOnlyList<ItemChangeView> Of(Item item, DateOnly day)
    {
        var owed = item.Opened.Minor < 0 ? -1 : 1;
        return
        [
            .. item
                .Movements.Skip(1)
                .Where(m => m.ShownFrom <= day)
                .GroupBy(m => (m.Entry, m.ValueDate, m.Posted))
                .Select(g =>
                {
                    Money Sum(params MovementKind[] kinds) =>
                        Money.FromMinor(
                            -owed * g.Where(m => kinds.Contains(m.Kind)).Sum(m => m.Amount.Minor),
                            item.Currency
                        );
                    return new ItemChangeView(
                        g.Key.ValueDate,
                        g.Key.Posted,
                        Sum(MovementKind.Cash, MovementKind.Opened),
                        Sum(MovementKind.Discount),
                        Sum(MovementKind.WriteOff),
                        Sum(MovementKind.SetOff)
                    );
                })
                .Where(c => !(c.Cash.IsZero && c.Discount.IsZero && c.WriteOff.IsZero && c.SetOff.IsZero))
                .TakeLast(Most),
        ];
    }
}
