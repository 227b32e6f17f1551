using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What a credit note is set against.</summary>
/// <param name="Open">What was open of it before.</param>
/// <param name="Amount">What the credit note takes off it.</param>
internal sealed record SettledItemView(
    long Item,
    string Document,
    DateOnly Due,
    Money Open,
    Money Amount,
    Money StaysOpen
);
