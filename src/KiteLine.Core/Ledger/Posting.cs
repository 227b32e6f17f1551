namespace KiteLine.Core;

/// <summary>
/// Everything that one posting writes: a balanced journal entry, new documents, and movements of existing items.
/// </summary>
public sealed record Posting
{
    /// <summary>What is posted.</summary>
    public required PostingKind Kind { get; init; }

    /// <summary>The day it enters the books.</summary>
    public required DateOnly PostingDate { get; init; }

    /// <summary>What stands in the ledger.</summary>
    public required string Text { get; init; }

    /// <summary>Documents that come into being by it.</summary>
    public IReadOnlyList<NewDocument> Documents { get; init; } = [];

    /// <summary>What it does to items that are there already.</summary>
    public IReadOnlyList<ItemMovement> Movements { get; init; } = [];

    /// <summary>Credits that it sets against debit items; each moves both.</summary>
    public IReadOnlyList<NewAllocation> Allocations { get; init; } = [];

    /// <summary>Allocations that it takes back, on the value dates they had.</summary>
    public IReadOnlyList<Allocation> Undone { get; init; } = [];

    /// <summary>Journal lines without zero amounts.</summary>
    public required IReadOnlyList<JournalLine> Lines { get; init; }

    /// <summary>Every change of a customer's open amounts in this posting.</summary>
    public IEnumerable<Movement> AllMovements =>
        Documents
            .SelectMany(d => d.Items)
            .SelectMany(i => i.Movements)
            .Concat(Movements.Select(m => m.Movement))
            .Concat(Allocations.SelectMany(a => a.OfDebit().Concat(a.OfCredit())))
            .Concat(Undone.SelectMany(a => a.TakenBack()).Select(m => m.Movement));

    /// <summary>Gives the posting back when it balances and its customer lines equal its movements.</summary>
    /// <exception cref="InvalidOperationException">It does not; this is a defect of the program, never of the
    /// input.</exception>
    public Posting Checked()
    {
        if (Lines.Sum(l => l.Amount.Minor) != 0)
            throw new InvalidOperationException($"The journal of ‘{Text}’ does not balance.");
        if (Lines.Where(l => l.IsCustomers).Sum(l => l.Amount.Minor) != AllMovements.Sum(m => m.Amount.Minor))
            throw new InvalidOperationException($"The journal of ‘{Text}’ does not equal the movements of its items.");
        return this;
    }

    /// <summary>
    /// The lines of one customer side and what stands against it. Amounts are debits; zero lines are dropped.
    /// </summary>
    internal static IReadOnlyList<JournalLine> Journal(params (PostingPurpose Purpose, Money Amount)[] lines) =>
        [.. lines.Where(l => !l.Amount.IsZero).Select(l => new JournalLine(l.Purpose, l.Amount))];
}
