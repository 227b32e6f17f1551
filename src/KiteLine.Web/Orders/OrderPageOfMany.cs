namespace KiteLine.Web;

internal sealed record OrderPageOfMany(int Total, int Held, IReadOnlyList<OrderRow> Items);
