using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>An item that is open by value on the last day of a statement.</summary>
internal sealed record AccountStatementItemView(
    string Document,
    ItemKind Kind,
    DateOnly Date,
    DateOnly Due,
    Money Open
);
