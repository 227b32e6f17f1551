using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record MeasuresRequest(
    int? Days,
    string? ReceivablesStart,
    string? ReceivablesEnd,
    string? NotDueEnd,
    [property: MostEntries(Bounds.Months)] IReadOnlyList<MonthSalesShape>? Months
);
