using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A run.</summary>
/// <param name="Date">The last day charged, or the day that the letters bear.</param>
/// <param name="Scope">Which accounts it looks at, in words.</param>
/// <param name="Detail">What is told of its state; empty for nothing.</param>
/// <param name="Send">Whether documents go out to the customers when they are posted.</param>
/// <param name="Counts">How its accounts stand.</param>
/// <param name="Totals">What it comes to by currency, without what is left out or was reversed.</param>
/// <param name="Lines">Its items, those of the accounts with the largest amounts first; the lines of at most 500
/// accounts.</param>
/// <param name="LeftOut">What is left out, of at most 500 accounts.</param>
/// <param name="May">What may be done with it as it stands.</param>
internal sealed record RunView(
    long Id,
    RunKind Kind,
    RunState State,
    DateOnly Date,
    string Scope,
    string MadeBy,
    string MadeAt,
    string LastBy,
    string LastAt,
    string Detail,
    bool Send,
    IReadOnlyList<RunCountView> Counts,
    IReadOnlyDictionary<string, string> Totals,
    IReadOnlyList<RunLineView> Lines,
    IReadOnlyList<RunLeftOutView> LeftOut,
    IReadOnlyList<RunAct> May
);
