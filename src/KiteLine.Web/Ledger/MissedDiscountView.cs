using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A discount that a payment could still be given.</summary>
/// <param name="Deadline">Names the step of the terms.</param>
/// <param name="Earned">Whether the payment came in its time and settled the item.</param>
internal sealed record MissedDiscountView(DateOnly Deadline, Money Amount, bool Earned);
