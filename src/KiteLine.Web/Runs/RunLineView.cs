using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>One item of a run.</summary>
/// <param name="Amount">What it is charged, with its part of the tax; or what the letter asks for of it.</param>
/// <param name="Level">The level that the letter speaks at; null in a run of late charges.</param>
/// <param name="Fee">The fee that the letter asks for, told with its first item; null in a run of late charges.</param>
/// <param name="Interest">The late charge that the letter states, with its tax, told with its first item; null in a run of
/// late charges.</param>
internal sealed record RunLineView(
    string Account,
    string Document,
    DateOnly Due,
    Money Amount,
    RunLineState State,
    int? Level,
    Money? Fee,
    Money? Interest
)
{
    internal static IEnumerable<RunLineView> Of(
        RunKind kind,
        StoredRunLine line,
        IReadOnlyDictionary<long, (string Document, DateOnly Due)> items
    )
    {
        var zero = Money.Zero(line.Line.Amount.Currency);
        return line.Line.Items.Select(
            (item, i) =>
                kind == RunKind.LateCharges
                    ? new RunLineView(
                        line.Account,
                        items[item.Item].Document,
                        items[item.Item].Due,
                        item.Amount,
                        line.State,
                        null,
                        null,
                        null
                    )
                    : new RunLineView(
                        line.Account,
                        items[item.Item].Document,
                        items[item.Item].Due,
                        item.Amount,
                        line.State,
                        line.Line.Level,
                        i == 0 ? line.Line.Fee : zero,
                        i == 0 ? line.Line.Interest : zero
                    )
        );
    }
}
