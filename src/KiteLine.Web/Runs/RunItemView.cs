using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Amount">What it is charged, with its part of the tax; or what the letter asks for of it.</param>
/// <param name="Interest">Late charge that the letter states for it, without tax.</param>
/// <param name="Level">The level that it reaches; 0 in a run of late charges.</param>
/// <param name="Moves">Whether it moves to that level; false where it is only listed.</param>
/// <param name="Reason">Why it is left out; empty where it is not.</param>
internal sealed record RunItemView(
    long Item,
    string Document,
    DateOnly Due,
    Money Amount,
    Money Interest,
    int Level,
    bool Moves,
    string Reason
)
{
    internal static RunItemView Of(RunItem item, IReadOnlyDictionary<long, (string Document, DateOnly Due)> items) =>
        new(
            item.Item,
            items[item.Item].Document,
            items[item.Item].Due,
            item.Amount,
            item.Interest,
            item.Level,
            item.Moves,
            item.Reason
        );
}
