namespace KiteLine.Core;

/// <summary>
/// The letters of a period under another plan, on the days on which the company sent reminders, by what was posted until then.
/// Fees and charges that were posted stay among the items; what the replay adds is not reminded of itself.
/// </summary>
internal sealed class RemindersReplay
{
    private readonly ReplayFacts _facts;
    private readonly WhatIfChange _change;
    private readonly MeasuredPeriod _period;
    private readonly BooksRules _rules;
    private readonly List<Sent> _own = [];
    private readonly List<Sent> _other = [];

    /// <summary>A letter with the level that each item has reached by it.</summary>
    private sealed record Sent(SentReminder Letter, IReadOnlyDictionary<long, int> Levels);

    internal RemindersReplay(ReplayFacts facts, WhatIfChange change, MeasuredPeriod period, BooksRules rules) =>
        (_facts, _change, _period, _rules) = (facts, change, period, rules);

    /// <summary>The lines of the letters.</summary>
    /// <param name="own">The items as they were.</param>
    /// <param name="other">The items as the replay has them.</param>
    internal IEnumerable<ReplayedLine> Of(IReadOnlyList<Item> own, IReadOnlyList<Item> other)
    {
        foreach (var sent in _facts.Letters)
        {
            if (sent.Date > _period.To)
                break;
            if (sent.Date < _period.From)
                _other.AddRange(Actual(sent));
            else if (Replay(sent, own, other) is { } line)
                yield return line;
            _own.AddRange(Actual(sent));
        }
    }

    private static IEnumerable<Sent> Actual(LetterEvent sent) =>
        sent.Letter is { } letter ? [new(letter, letter.Moving.ToDictionary(id => id, id => sent.Items[id]))] : [];

    private ReplayedLine? Replay(LetterEvent sent, IReadOnlyList<Item> own, IReadOnlyList<Item> other)
    {
        var plan = sent.Plan ?? _facts.Plan;
        var (change, byOwn) = Decided(sent, Proposed(own, _own, plan, sent, ReminderChange.None), own, plan);
        if (change is null)
            return null;
        var would = Proposed(other, _other, _change.Reminders ?? plan, sent, change);
        if (would is { Level: > 0 })
            _other.Add(
                new(
                    new(
                        sent.Letter?.Number ?? $"{sent.Date:yyyy-MM-dd}",
                        sent.Date,
                        would.Level,
                        would.OwnFee,
                        Posts(_change.Reminders ?? plan, would.Level),
                        !(_change.Reminders ?? plan)!.Levels[would.Level - 1].AddEarlierFees,
                        [.. would.Moving.Select(i => i.Item.Id)]
                    ),
                    would.Moving.ToDictionary(i => i.Item.Id, i => i.Level)
                )
            );
        Money? fee = would is { Level: > 0 } ? would.OwnFee : null;
        if (sent.Letter is null && fee is null)
            return null;
        return new(
            ReplayKind.ReminderFee,
            sent.Date,
            sent.Letter?.Number ?? "",
            sent.Letter?.Fee,
            fee,
            would is { Level: > 0 } ? $"Level {would.Level}." : would?.LeftOut ?? ""
        )
        {
            ByHand = change != ReminderChange.None,
            ByOwnRules = byOwn,
        };
    }

    private static bool Posts(ReminderPlan? plan, int level) => plan?.Levels[level - 1].FeeTreatment == Treatment.Post;

    // What somebody decided otherwise than the plan; nothing where a run left the account out that had to be reminded.
    private (ReminderChange? Change, Money? ByOwn) Decided(
        LetterEvent sent,
        ReminderProposal? rule,
        IReadOnlyList<Item> own,
        ReminderPlan? plan
    )
    {
        if (sent.Letter is not { } letter)
            return (rule is { Level: > 0 } ? null : ReminderChange.None, null);
        if (Same(rule, sent))
            return (ReminderChange.None, rule!.OwnFee == letter.Fee ? null : rule.OwnFee);
        // With its items left out and taken in, and at its level, the rules give the letter that was sent.
        var change = new ReminderChange(
            null,
            rule is not { Level: > 0 },
            [.. own.Select(i => i.Id).Where(id => !sent.Items.ContainsKey(id))]
        );
        var taken = Proposed(own, _own, plan, sent, change);
        if (!Same(taken, sent))
            taken = Proposed(own, _own, plan, sent, change = change with { Level = letter.Level });
        return (
            change,
            Same(taken, sent) && taken!.OwnFee == letter.Fee ? null : taken?.OwnFee ?? Money.Zero(letter.Fee.Currency)
        );
    }

    private static bool Same(ReminderProposal? proposal, LetterEvent sent) =>
        proposal is { Level: > 0 }
        && proposal.Level == sent.Letter!.Level
        && proposal.Moving.Select(i => i.Item.Id).ToHashSet().SetEquals(sent.Letter.Moving);

    private ReminderProposal? Proposed(
        IReadOnlyList<Item> items,
        List<Sent> letters,
        ReminderPlan? plan,
        LetterEvent sent,
        ReminderChange change
    )
    {
        if (plan is null)
            return null;
        var known = ItemsAt.Of(items, sent.Entry, sent.At, sent.Date);
        for (var i = 0; i < known.Count; i++)
            known[i] = Reminded(known[i], letters);
        return ReminderProposal.For(
            new()
            {
                Book = _facts.Book,
                Items = known,
                Letters = [.. letters.Select(l => l.Letter)],
                Plan = plan,
            },
            sent.Date,
            _rules with
            {
                Today = sent.Date,
            },
            change
        );
    }

    private static Item Reminded(Item item, List<Sent> letters)
    {
        var (level, count, on) = (0, 0, (DateOnly?)null);
        foreach (var (letter, levels) in letters)
            if (levels.TryGetValue(item.Id, out var reached))
                (level, count, on) = (reached, count + 1, letter.Date);
        return item with { ReminderLevel = level, Reminders = count, RemindedOn = on };
    }
}
