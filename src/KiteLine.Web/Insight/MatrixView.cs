using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record MatrixView(
    long Id,
    DateOnly From,
    IReadOnlyList<int> UpTo,
    IReadOnlyList<decimal> Rates,
    string Reason,
    string MadeBy,
    string MadeAt
)
{
    internal static MatrixView Of(StoredMatrix m) =>
        new(m.Id, m.Matrix.From, m.Matrix.UpTo, m.Matrix.Rates, m.Reason, m.MadeBy, m.MadeAt);
}
