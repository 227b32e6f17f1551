using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A what-if, and what it came to.</summary>
/// <param name="Words">Which accounts it is about, in words.</param>
/// <param name="Percent">How much of it is worked out; null where it is not at work.</param>
/// <param name="ByHand">Decisions otherwise than the rules, which it keeps.</param>
/// <param name="Unexplained">What the accounts' own rules do not explain.</param>
/// <param name="Largest">The accounts that differ most; only where one is asked for by itself.</param>
internal sealed record WhatIfView(
    long Id,
    string Name,
    DateOnly From,
    DateOnly To,
    string Within,
    string Words,
    string Terms,
    string LateCharges,
    string Reminders,
    string LimitPercent,
    ResponsesShape? Responses,
    string MovesFrom,
    string CostOfCapital,
    WhatIfState State,
    int? Percent,
    string MadeBy,
    string MadeAt,
    string Currency,
    int Accounts,
    int Differing,
    int ByHand,
    int Unexplained,
    IReadOnlyList<string> WithoutRate,
    ReplayFiguresView? Happened,
    ReplayFiguresView? Would,
    IReadOnlyList<Working> Workings,
    IReadOnlyList<string> Assumptions,
    IReadOnlyList<ReplayedAccountView> Largest,
    ReplayFiguresView? Difference = null
);
