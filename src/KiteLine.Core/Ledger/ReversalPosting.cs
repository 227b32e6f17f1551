namespace KiteLine.Core;

/// <summary>A movement as it stands in the books, for undoing it.</summary>
public sealed record PostedMovement(long ItemId, Movement Movement);

/// <summary>Posting that undoes another.</summary>
public static class ReversalPosting
{
    /// <summary>
    /// Every line and movement with the opposite sign. Movements keep their value date, so that interest is computed
    /// as if the original had never been.
    /// </summary>
    public static Posting Of(IReadOnlyList<JournalLine> lines, IReadOnlyList<PostedMovement> movements, DateOnly postingDate, string reason)
    {
        ArgumentNullException.ThrowIfNull(lines);
        ArgumentNullException.ThrowIfNull(movements);
        return new Posting
        {
            Kind = PostingKind.Reversal,
            PostingDate = postingDate,
            Text = reason,
            Movements = [.. movements.Select(m => new ItemMovement(m.ItemId, m.Movement with { Amount = -m.Movement.Amount }))],
            Lines = [.. lines.Select(l => l with { Amount = -l.Amount })],
        }.Checked();
    }
}
