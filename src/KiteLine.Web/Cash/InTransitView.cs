using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What a line of a statement may settle: a refund that the bank paid, or a slip that it credited.</summary>
/// <param name="With">Whom a refund goes to; by which method the money of a slip was taken.</param>
internal sealed record InTransitView(long Id, bool IsSlip, string Number, Money Amount, string With)
{
    internal static InTransitView Of(InTransit t) => new(t.Id, t.IsSlip, t.Number, t.Amount, t.With);
}
