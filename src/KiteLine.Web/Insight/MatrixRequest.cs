using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="From">The first day it holds for.</param>
/// <param name="UpTo">Days overdue up to which each age lasts, such as 30, 60, 90.</param>
/// <param name="Rates">In percent: of what is not due, of each age, and of what is older.</param>
internal sealed record MatrixRequest(
    string? From,
    [property: MostEntries(ProvisionMatrix.MostAges)] IReadOnlyList<int>? UpTo,
    [property: MostEntries(ProvisionMatrix.MostAges + 2)] IReadOnlyList<string>? Rates,
    string? Reason
);
