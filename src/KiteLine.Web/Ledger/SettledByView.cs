using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>One link between a credit and what it settled.</summary>
/// <param name="Id">By which it is put right.</param>
/// <param name="Credit">Number of the receipt or credit note.</param>
/// <param name="Debit">Number of what was settled.</param>
/// <param name="Open">What is open of it now.</param>
/// <param name="Missed">Discounts that the payment did not take and could still be given.</param>
internal sealed record SettledByView(
    long Id,
    string Credit,
    string Debit,
    DateOnly ValueDate,
    Money Cash,
    Money Discount,
    Money WriteOff,
    Money Open,
    IReadOnlyList<MissedDiscountView> Missed
)
{
    internal static SettledByView Of(SettledBy s, RoundingRule rounding) =>
        new(
            s.Allocation.Id,
            s.Credit.Item.Document,
            s.Debit.Item.Document,
            s.Allocation.ValueDate,
            s.Allocation.Cash,
            s.Allocation.Discount,
            s.Allocation.WriteOff,
            s.Debit.Item.Left,
            [
                .. MissedDiscount
                    .Of(s.Allocation, s.Debit.Item, s.Credit.Item, rounding)
                    .Select(m => new MissedDiscountView(m.Step.Deadline, m.Step.Amount, m.Earned)),
            ]
        );
}
