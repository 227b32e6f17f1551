namespace KiteLine.Core;

/// <summary>
/// The statement of an account over a period, by value: what was owed before it, what changed that in it, and what is
/// open at its end.
/// </summary>
/// <remarks>
/// Setting a credit off against a debit changes neither and stands in no line. Opening plus debits less credits is the
/// closing balance, which is the sum of what is open.
/// </remarks>
public sealed record AccountStatement
{
    /// <summary>Whether nothing moved and nothing was or is open: such a statement is not sent unless it is asked for.</summary>
    public bool SaysNothing => Opening.IsZero && Lines.Count == 0 && Open.Count == 0;

    /// <summary>The first day.</summary>
    public required DateOnly From { get; init; }

    /// <summary>The last day.</summary>
    public required DateOnly To { get; init; }

    /// <summary>What was owed at the end of the day before the first.</summary>
    public required Money Opening { get; init; }

    /// <summary>By value date, then in the order in which they were posted.</summary>
    public required IReadOnlyList<StatementLine> Lines { get; init; }

    /// <summary>What was open at the end of the last day, oldest due first.</summary>
    public required IReadOnlyList<StatementItem> Open { get; init; }

    /// <summary>What was open by age, one amount for each bucket.</summary>
    public required IReadOnlyList<Money> Ageing { get; init; }

    /// <summary>What was owed at the end of the last day.</summary>
    public Money Closing => Lines.Count == 0 ? Opening : Lines[^1].Balance;

    /// <summary>What of the closing balance was due by the last day; below zero where credits of those days are more.</summary>
    public Money DueBy =>
        Open.Where(i => i.Due <= To).Aggregate(Money.Zero(Opening.Currency), (sum, i) => sum + i.Open);

    /// <summary>What of it was not due yet: each item stands in one of the two, which are the closing balance together.</summary>
    public Money NotDue => Closing - DueBy;

    /// <summary>What is to be paid: what was due by the last day; never below zero.</summary>
    public Money Due => Money.Max(Money.Zero(Opening.Currency), DueBy);

    /// <summary>The debits of the period together.</summary>
    public Money Debits => Sum(l => l.Debit);

    /// <summary>The credits of the period together.</summary>
    public Money Credits => Sum(l => l.Credit);

    /// <summary>Makes the statement of an account.</summary>
    /// <param name="items">All its items, closed ones too.</param>
    /// <exception cref="RefusedException">The period ends before it begins; names the field <c>to</c>.</exception>
    public static AccountStatement Of(
        IReadOnlyList<Item> items,
        Currency currency,
        DateOnly from,
        DateOnly to,
        AgeingBuckets buckets
    )
    {
        ArgumentNullException.ThrowIfNull(items);
        ArgumentNullException.ThrowIfNull(currency);
        ArgumentNullException.ThrowIfNull(buckets);
        if (to < from)
            throw new RefusedException("to", $"Give {Exactly.Day(from)} or a later day.");
        items = Item.AsOn(items, to);
        var zero = Money.Zero(currency);
        var (balance, changes) = (zero, new List<Change>());
        var open = new List<StatementItem>();
        var ageing = new long[buckets.Count];
        foreach (var item in items)
        {
            for (var i = 0; i < item.Movements.Count; i++)
            {
                var m = item.Movements[i];
                if (m.ValueDate < from)
                    balance += m.Amount;
                else if (m.ValueDate <= to)
                    changes.Add(new(m, item.Document, KindOf(item, m, i == 0)));
            }

            var left = item.OpenByValue(to);
            if (left.IsZero)
                continue;
            open.Add(new(item.Document, item.Kind, item.Date, item.Due, left));
            ageing[buckets.IndexOf(buckets.DaysOf(item.Date, item.Due, to))] += left.Minor;
        }

        // A charge has the name that its policy had when it was raised.
        var labels = items
            .SelectMany(i => i.Raised)
            .Where(r => r.Policy is not null)
            .GroupBy(r => r.Entry)
            .ToDictionary(g => g.Key, g => g.First().Policy!.Label);
        var opening = balance;
        var lines = new List<StatementLine>();
        foreach (var line in Told(changes))
            lines.Add(
                new(line.Date, line.Document, line.Kind, line.Amount, balance += line.Amount)
                {
                    Name = line.Kind == StatementLineKind.LateCharge ? labels.GetValueOrDefault(line.Entry) : null,
                }
            );
        return new()
        {
            From = from,
            To = to,
            Opening = opening,
            Lines = lines,
            Open = [.. open.OrderBy(i => i.Due)],
            Ageing = [.. ageing.Select(a => Money.FromMinor(a, currency))],
        };
    }

    private readonly record struct Change(Movement Movement, string Document, StatementLineKind? Kind);

    // What one posting did to one document on one day stands in one line; what only changes hands within the account in
    // none.
    private static IEnumerable<(DateOnly Date, long Entry, string Document, StatementLineKind Kind, Money Amount)> Told(
        List<Change> changes
    )
    {
        var told = changes
            .Where(c => c.Kind is not null)
            .GroupBy(c => (c.Movement.ValueDate, c.Movement.Entry, c.Document, Kind: c.Kind!.Value))
            .Select(g => (g.Key, Amount: Sum(g)));
        // Cash that was set against a debit stands on both sides; where one of them is another account's, it is told.
        var moved = changes
            .Where(c => c.Kind is null)
            .GroupBy(c => (c.Movement.ValueDate, c.Movement.Entry))
            .Select(g =>
                (Key: (g.Key.ValueDate, g.Key.Entry, g.First().Document, Kind: StatementLineKind.Moved), Amount: Sum(g))
            );
        return told.Concat(moved)
            .Where(l => !l.Amount.IsZero)
            .OrderBy(l => l.Key.ValueDate)
            .ThenBy(l => l.Key.Entry)
            .ThenBy(l => l.Key.Document, StringComparer.Ordinal)
            .ThenBy(l => l.Key.Kind)
            .Select(l => (l.Key.ValueDate, l.Key.Entry, l.Key.Document, l.Key.Kind, l.Amount));
    }

    private static Money Sum(IEnumerable<Change> changes) =>
        changes.Select(c => c.Movement.Amount).Aggregate((sum, amount) => sum + amount);

    private static StatementLineKind? KindOf(Item item, Movement movement, bool first) =>
        movement.Kind switch
        {
            MovementKind.Discount => StatementLineKind.Discount,
            MovementKind.WriteOff => StatementLineKind.WriteOff,
            MovementKind.Cash or MovementKind.SetOff => null,
            _ when !first => StatementLineKind.Reversal,
            _ => item.Kind switch
            {
                ItemKind.Invoice => StatementLineKind.Invoice,
                ItemKind.CreditNote => StatementLineKind.CreditNote,
                ItemKind.Receipt => StatementLineKind.Receipt,
                ItemKind.LateCharge => StatementLineKind.LateCharge,
                ItemKind.ReminderFee => StatementLineKind.ReminderFee,
                ItemKind.Refund => StatementLineKind.Refund,
                ItemKind.BankFee => StatementLineKind.BankFee,
                _ => throw new InvalidOperationException($"No line tells of {item.Kind}."),
            },
        };

    private Money Sum(Func<StatementLine, Money> of) =>
        Lines.Select(of).Aggregate(Money.Zero(Opening.Currency), (sum, amount) => sum + amount);
}
