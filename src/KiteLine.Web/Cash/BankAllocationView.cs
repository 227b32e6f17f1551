using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What one item gets of a bank entry. A credit that is used has its cash below zero.</summary>
internal sealed record BankAllocationView(
    string Document,
    string Cash,
    string Discount,
    string WriteOff,
    string StaysOpen
)
{
    internal static BankAllocationView Of(AllocationLine line) =>
        new(
            line.Item.Document,
            $"{line.Settlement.Cash}",
            $"{line.Settlement.Discount}",
            $"{line.Settlement.WriteOff}",
            $"{line.Settlement.StaysOpen}"
        );
}
