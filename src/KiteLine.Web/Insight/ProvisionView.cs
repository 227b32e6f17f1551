using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="From">The first day of the matrix that holds; null where none does, and there are no lines.</param>
/// <param name="Change">By how much the loss rose since the day that is compared with, which had its own matrix.</param>
internal sealed record ProvisionView(
    DateOnly AsOf,
    DateOnly? Since,
    string Currency,
    DateOnly? From,
    IReadOnlyList<ProvisionLineView> Lines,
    MoneySum Gross,
    MoneySum Loss,
    MoneySum? Change,
    IReadOnlyList<string> WithoutRate,
    IReadOnlyList<Working> Workings
);
