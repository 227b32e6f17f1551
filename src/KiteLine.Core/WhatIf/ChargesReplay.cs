namespace KiteLine.Core;

/// <summary>
/// The late charges of a period under another policy, raised on the days on which the company raised charges, by what was
/// posted until then.
/// </summary>
internal sealed class ChargesReplay
{
    private readonly ReplayFacts _facts;
    private readonly WhatIfChange _change;
    private readonly MeasuredPeriod _period;
    private readonly BooksRules _rules;

    private readonly Dictionary<long, string> _documents;

    // Whether all charges replayed so far are those that were raised.
    private bool _asHappened = true;

    // What stands raised in the replay, with the charge it belongs to.
    private readonly List<(ChargeEvent Of, long Item, RaisedLine Line)> _raised = [];

    internal ChargesReplay(ReplayFacts facts, WhatIfChange change, MeasuredPeriod period, BooksRules rules) =>
        (_facts, _change, _period, _rules, _documents) = (
            facts,
            change,
            period,
            rules,
            facts.Items.ToDictionary(i => i.Item.Id, i => i.Item.Document)
        );

    /// <summary>The lines of the charges.</summary>
    /// <param name="own">The items as they were.</param>
    /// <param name="other">The items as the replay has them.</param>
    internal IEnumerable<ReplayedLine> Of(IReadOnlyList<Item> own, IReadOnlyList<Item> other)
    {
        var same = ReferenceEquals(own, other);
        foreach (var charge in _facts.Charges)
        {
            if (charge.Date > _period.To)
                break;
            if (charge.Date < _period.From)
            {
                Stand(charge, charge.Lines);
                continue;
            }

            foreach (var line in Replay(charge, own, other, same))
                yield return line;
        }
    }

    private IEnumerable<ReplayedLine> Replay(
        ChargeEvent charge,
        IReadOnlyList<Item> own,
        IReadOnlyList<Item> other,
        bool same
    )
    {
        var first = charge.Lines.Count > 0 ? charge.Lines[0].Line : null;
        var policy = (LateChargePolicy?)first?.Policy ?? _facts.Policy;
        var happened = charge.Lines.ToDictionary(l => l.Item, l => l.Line);
        // What an earlier version of the program raised stands as it was raised.
        if (first is not null && (first.AsRaised || first.Policy is null))
        {
            Stand(charge, charge.Lines);
            return charge.Lines.Select(l => Line(charge, l.Item, l.Line.Amount, l.Line.Amount));
        }

        var by = Accrued(own, charge, policy, OwnRaised(charge.Entry));
        var leftOut = by.Select(l => l.Item.Id).Where(id => !happened.ContainsKey(id)).ToHashSet();
        var cuts = happened.Where(l => l.Value.CutTo is not null).ToDictionary(l => l.Key, l => l.Value.CutTo!.Value);
        var changes = new ChargeChanges(leftOut, cuts);
        var rule = Amounts(changes.Of(by));
        // The same rules on the same items give the same, unless the replay raised something else before.
        var replayed = changes.Of(
            same && _change.LateCharges is null && _asHappened
                ? by
                : Accrued(other, charge, _change.LateCharges ?? policy, Raised(charge.Entry))
        );
        if (replayed.All(l => l.Total.IsZero))
            replayed = [];
        Stand(charge, [.. replayed.Select(l => (l.Item.Id, Raise(l, charge, _change.LateCharges ?? policy)))]);
        var would = Amounts(replayed);
        _asHappened &=
            would.Count == happened.Count && happened.All(h => would.GetValueOrDefault(h.Key) == h.Value.Amount);
        if (charge.ReversedBy is not null)
            return [];
        return happened
            .Keys.Union(would.Keys)
            .Order()
            .Select(item =>
                Line(
                    charge,
                    item,
                    happened.TryGetValue(item, out var line) ? line.Amount : null,
                    would.TryGetValue(item, out var amount) ? amount : null
                ) with
                {
                    ByHand = cuts.ContainsKey(item),
                    ByOwnRules =
                        line is not null
                        && rule.GetValueOrDefault(item, Money.Zero(line.Amount.Currency)) is var ruled
                        && ruled != line.Amount
                            ? ruled
                            : null,
                }
            )
            .Where(l => l.Happened is not null || l.Would is not null);
    }

    private ReplayedLine Line(ChargeEvent charge, long item, Money? happened, Money? would) =>
        new(
            ReplayKind.LateCharge,
            charge.Date,
            _documents.GetValueOrDefault(item, ""),
            OrNull(happened),
            OrNull(would)
        );

    private static Money? OrNull(Money? amount) => amount is { IsZero: false } ? amount : null;

    private IReadOnlyList<ItemCharge> Accrued(
        IReadOnlyList<Item> items,
        ChargeEvent charge,
        LateChargePolicy? policy,
        ILookup<long, RaisedLine> raised
    )
    {
        if (policy is null or { ShownOnly: true })
            return [];
        var known = ItemsAt.Of(items, charge.Entry, charge.At, charge.Date);
        for (var i = 0; i < known.Count; i++)
            known[i] = known[i] with { Raised = raised.Contains(known[i].Id) ? [.. raised[known[i].Id]] : [] };
        return AccountCharges.On(known, policy, charge.Through, charge.Date, _rules with { Today = charge.Date }).Lines;
    }

    private ILookup<long, RaisedLine> OwnRaised(long entry) =>
        _facts.Charges.Where(c => c.StandsAt(entry)).SelectMany(c => c.Lines).ToLookup(l => l.Item, l => l.Line);

    private ILookup<long, RaisedLine> Raised(long entry) =>
        _raised.Where(r => r.Of.StandsAt(entry)).ToLookup(r => r.Item, r => r.Line);

    private void Stand(ChargeEvent charge, IReadOnlyList<(long Item, RaisedLine Line)> lines) =>
        _raised.AddRange(lines.Select(l => (charge, l.Item, l.Line)));

    private static RaisedLine Raise(ItemCharge line, ChargeEvent charge, LateChargePolicy? policy) =>
        new(charge.Entry, charge.Date, line.CoveredThrough(charge.Date), line.Total, policy, false, line.Most);

    private static Dictionary<long, Money> Amounts(IReadOnlyList<ItemCharge> lines) =>
        lines.ToDictionary(l => l.Item.Id, l => l.Total);
}
