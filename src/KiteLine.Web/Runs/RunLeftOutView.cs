using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What a run leaves out, and why: an account, or one of its items.</summary>
/// <param name="Document">Null where the whole account is left out.</param>
/// <param name="Amount">What it would have come to.</param>
internal sealed record RunLeftOutView(string Account, string? Document, string Reason, Money Amount)
{
    internal static IEnumerable<RunLeftOutView> Of(
        StoredRunLine line,
        IReadOnlyDictionary<long, (string Document, DateOnly Due)> items
    )
    {
        if (line.State == RunLineState.LeftOut)
            yield return new(line.Account, null, line.Reason, line.Line.Amount);
        foreach (var item in line.Line.ItemsLeftOut)
            yield return new(line.Account, items[item.Item].Document, item.Reason, item.Amount);
    }
}
