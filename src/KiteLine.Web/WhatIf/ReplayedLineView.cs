using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>One thing that happened, or would have, on an account, in its currency.</summary>
/// <param name="ByHand">Whether somebody decided otherwise than the rules, which is kept.</param>
/// <param name="ByOwnRules">What the account's own rules give, where that is not what happened.</param>
internal sealed record ReplayedLineView(
    ReplayKind Kind,
    DateOnly Day,
    string About,
    Money? Happened,
    Money? Would,
    string Why,
    bool ByHand,
    Money? ByOwnRules,
    bool Differs
);
