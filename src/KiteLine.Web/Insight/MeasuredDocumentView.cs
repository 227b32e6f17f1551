using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What one document adds to a measure.</summary>
/// <param name="Day">The day by which it counts.</param>
internal sealed record MeasuredDocumentView(
    string Account,
    string Name,
    string Document,
    ItemKind Kind,
    DateOnly Day,
    string Currency,
    Money Amount,
    int? DaysToPay,
    int? DaysLate
);
