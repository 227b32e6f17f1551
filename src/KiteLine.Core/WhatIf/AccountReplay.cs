namespace KiteLine.Core;

/// <summary>
/// What happened on an account in a period beside what would have happened under other terms, charges, reminders, limits or
/// check rules: the same history through the same functions that post.
/// </summary>
/// <remarks>
/// Payments settle what they settled. What was decided by hand stays decided: a discount allowed late or left untaken, an
/// item left out of a charge or cut, an account left out of a run. What was taken back is in neither column.
/// </remarks>
public sealed record AccountReplay(BookAccount Account, IReadOnlyList<ReplayedLine> Lines)
{
    /// <summary>Replays an account.</summary>
    public static AccountReplay Of(ReplayFacts facts, WhatIfChange change, MeasuredPeriod period, ReplayRules rules)
    {
        ArgumentNullException.ThrowIfNull(facts);
        ArgumentNullException.ThrowIfNull(change);
        ArgumentNullException.ThrowIfNull(period);
        ArgumentNullException.ThrowIfNull(rules);
        var lines = new List<ReplayedLine>();
        IReadOnlyList<Item> own = [.. facts.Items.Select(i => i.Item)];
        IReadOnlyList<Item> other = [.. facts.Items.Select(i => DiscountsReplay.Of(i, change, period, rules, lines))];
        // Where no terms are replaced and no payment moves, what was posted stays as it was posted.
        if (change.Terms is null && change.MovesFrom is null)
            other = own;
        lines.AddRange(new ChargesReplay(facts, change, period, rules.Books).Of(own, other));
        lines.AddRange(new RemindersReplay(facts, change, period, rules.Books).Of(own, other));
        lines.AddRange(OrdersReplay.Of(facts, change, period, rules));
        return new(facts.Book, lines);
    }

    /// <summary>Lines that the account's own rules do not explain: the books or the rules are wrong.</summary>
    public int Unexplained => Lines.Count(l => l.ByOwnRules is not null);

    /// <summary>Lines on which somebody decided otherwise than the rules.</summary>
    public int ByHand => Lines.Count(l => l.ByHand);
}
