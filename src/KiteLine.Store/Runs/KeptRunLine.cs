using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What an account comes to in a run, as it is kept.</summary>
/// <param name="Weight">The amount in the base currency, in minor units, by which lists are ordered.</param>
/// <param name="Text">Its items, written by <see cref="RunLineText"/>.</param>
internal sealed record KeptRunLine(
    long Account,
    RunLineState State,
    RunLine Line,
    string Reason,
    long Weight,
    ReadOnlyMemory<byte> Text
)
{
    /// <summary>A line that was worked out: ready, or left out with its reason.</summary>
    internal static KeptRunLine Of(long account, RunLine line, BooksRules rules) =>
        Of(account, line, line.LeftOut is null ? RunLineState.Ready : RunLineState.LeftOut, line.LeftOut ?? "", rules);

    /// <summary>A line in a state of its own, with the reason.</summary>
    internal static KeptRunLine Of(long account, RunLine line, RunLineState state, string reason, BooksRules rules)
    {
        // What is left out is ordered by what it would have come to.
        var amount = line.Amount.IsZero
            ? line.ItemsLeftOut.Aggregate(line.Amount, (sum, i) => sum + i.Amount)
            : line.Amount;
        var weight = (rules.Rates.Convert(amount, rules.Rates.Base, rules.Today) ?? amount).Minor;
        // The items themselves are in the text: of very many lines they need not be held beside it.
        return new(account, state, line with { Items = [], ItemsLeftOut = [] }, reason, weight, RunLineText.Write(line))
        {
            Items = line.Items.Count,
        };
    }

    /// <summary>How many items are charged or asked for.</summary>
    internal int Items { get; private init; }
}
