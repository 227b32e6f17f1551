using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What a what-if came to, in minor units of the base currency.</summary>
/// <param name="Differing">Accounts that differ from what happened.</param>
/// <param name="ByHand">Lines on which somebody decided otherwise than the rules.</param>
/// <param name="Unexplained">Lines that the accounts' own rules do not explain.</param>
/// <param name="Largest">The accounts that differ most.</param>
public sealed record WhatIfResult(
    string Currency,
    int Accounts,
    int Differing,
    int ByHand,
    int Unexplained,
    IReadOnlyList<string> WithoutRate,
    ReplayFigures Happened,
    ReplayFigures Would,
    IReadOnlyList<ReplayedAccount> Largest
)
{
    /// <summary>What replays added up to.</summary>
    public static WhatIfResult Of(ReplaySum sum, Currency currency)
    {
        ArgumentNullException.ThrowIfNull(sum);
        ArgumentNullException.ThrowIfNull(currency);
        return new(
            currency.Code,
            sum.Accounts,
            sum.Differing,
            sum.ByHand,
            sum.Unexplained,
            [.. sum.WithoutRate],
            sum.Happened,
            sum.Would,
            sum.Largest
        );
    }
}
