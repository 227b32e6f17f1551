using System.Runtime.InteropServices;

namespace KiteLine.Core;

/// <summary>
/// What the charges that were raised on an account would be if they were raised now, with everything that was posted
/// since: each in its turn, through its own day, by its own policy. What they were less what they would be is
/// corrected.
/// </summary>
internal sealed class ChargeReplay
{
    private readonly Dictionary<long, Standing> _items = [];
    private readonly IReadOnlyList<Item> _all;
    private readonly BooksRules _rules;
    private readonly DateOnly _known;

    /// <summary>How one item stands after the charges replayed so far.</summary>
    internal sealed class Standing
    {
        /// <summary>Of an item that was never charged; it is only looked at.</summary>
        internal static Standing Fresh { get; } = new();

        /// <summary>The last day charged.</summary>
        internal DateOnly? Through { get; set; }

        /// <summary>What has accrued, not rounded, since a bound last changed a charge.</summary>
        internal decimal Exact { get; set; }

        /// <summary>What of that was charged.</summary>
        internal long Charged { get; set; }

        /// <summary>All interest so far, in minor units.</summary>
        internal long Interest { get; set; }

        internal bool Compensated { get; set; }

        /// <summary>What was to be charged, and what was, in minor units.</summary>
        internal long Should { get; set; }

        internal long Was { get; set; }
    }

    internal ChargeReplay(IReadOnlyList<Item> items, DateOnly known, BooksRules rules)
    {
        (_all, _known, _rules) = (items, known, rules);
        var lines = items.SelectMany(i => i.Raised.Where(r => r.Date <= known).Select(r => (Item: i, Line: r)));
        foreach (var charge in lines.GroupBy(l => l.Line.Entry).OrderBy(g => g.Key))
            Replay([.. charge]);
    }

    internal Standing Of(Item item) => CollectionsMarshal.GetValueRefOrAddDefault(_items, item.Id, out _) ??= new();

    private void Replay((Item Item, RaisedLine Line)[] lines)
    {
        var first = lines[0].Line;
        var policy = ((LateChargePolicy?)first.Policy)?.In(lines[0].Item.Currency, first.Date, _rules.Rates);
        var charges = new List<ItemCharge>();
        // Bands on the account see all its items, also those that were left out of the charge.
        var shared =
            policy is null || first.AsRaised ? null : AccountCharges.Shared(policy, _all, first.Through, _known, this);
        foreach (var (item, line) in lines)
        {
            var standing = Of(item);
            standing.Was += line.Amount.Minor;
            if (policy is null || line.AsRaised)
            {
                standing.Should += line.Amount.Minor + (policy is null ? 0 : MovedSince(item, line, policy, standing));
                standing.Interest += line.Amount.Minor;
                standing.Compensated |= policy?.Compensates ?? false;
                (standing.Exact, standing.Charged, standing.Through) = (0, 0, line.Through);
                continue;
            }

            var segments =
                shared?.GetValueOrDefault(item.Id)
                ?? AccountCharges.Segments(item, policy, standing.Through, line.Through, _known);
            charges.Add(
                AccountCharges.Bounded(item, policy, standing, segments, line.Through, _known, _rules.Rounding)
            );
        }

        if (policy is null || first.AsRaised)
            return;
        var cuts = lines.Where(l => l.Line.CutTo is not null).ToDictionary(l => l.Item.Id, l => l.Line.CutTo!.Value);
        foreach (var bounded in AccountCharges.Within(policy, charges, _rules.Rounding))
        {
            var charge = cuts.TryGetValue(bounded.Item.Id, out var most) ? bounded.CutTo(most) : bounded;
            var standing = Of(charge.Item);
            standing.Should += (charge.Interest + charge.Compensation).Minor;
            var before = standing.Through;
            AccountCharges.Take(standing, charge);
            // Where an amendment put the due date off, the days of its wait are charged once that has passed.
            if (charge.Through <= charge.Item.Due.AddDays(policy.WaitDays))
                standing.Through = before;
            standing.Compensated |= !bounded.Compensation.IsZero;
        }
    }

    // What was raised by an earlier version stands; only what moved the balance of its days since is made good.
    private long MovedSince(Item item, RaisedLine line, LateChargePolicy policy, Standing standing)
    {
        if (item.Movements.All(m => m.Entry < line.Entry))
            return 0;
        var then = item with { Movements = [.. item.Movements.Where((m, i) => i == 0 || m.Entry < line.Entry)] };
        long Interest(Item of) =>
            Money
                .Round(
                    ChargeSegment.Sum(AccountCharges.Segments(of, policy, standing.Through, line.Through, _known)),
                    item.Currency,
                    _rules.Rounding
                )
                .Minor;
        return Interest(item) - Interest(then);
    }
}
