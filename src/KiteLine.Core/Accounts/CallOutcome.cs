namespace KiteLine.Core;

/// <summary>What came of a call, as the account's log tells it.</summary>
/// <param name="Text">What was said; may be empty.</param>
/// <param name="Promise">What was promised, and by when.</param>
/// <param name="Dispute">The document that is disputed, and why.</param>
/// <param name="Copies">Numbers of the documents that were sent once more.</param>
/// <param name="Statement">Whether a statement was sent.</param>
/// <param name="Again">The day of the next call.</param>
public sealed record CallOutcome(
    string Text,
    (Money Amount, DateOnly By)? Promise,
    (string Document, string Reason)? Dispute,
    IReadOnlyList<string> Copies,
    bool Statement,
    DateOnly? Again
)
{
    /// <summary>The first day of a statement that is sent after a call: this month and the one before it.</summary>
    public static DateOnly StatementFrom(DateOnly today) => new DateOnly(today.Year, today.Month, 1).AddMonths(-1);

    /// <summary>
    /// The entries of the log: the call as a whole, or what was said and what came of it apart where both together are
    /// longer than an entry.
    /// </summary>
    /// <exception cref="RefusedException">Nothing came of it; names the field <c>text</c>.</exception>
    public IReadOnlyList<string> Entries()
    {
        var came = string.Join('\n', Parts());
        if (came.Length == 0 && Text.Length == 0)
            throw new RefusedException(
                "text",
                "Say what came of the call, or give a promise, a dispute, a day or copies."
            );
        var whole = string.Join('\n', new[] { Text, came }.Where(t => t.Length > 0));
        return whole.Length <= ContactRule.LongestText ? [whole] : [Text, came];
    }

    private IEnumerable<string> Parts()
    {
        if (Promise is { } p)
            yield return $"Promised {p.Amount} {p.Amount.Currency.Code} by {Exactly.Day(p.By)}.";
        if (Dispute is { } d)
            yield return $"Disputes {d.Document}: {d.Reason}";
        if (Copies.Count > 0)
            yield return $"Copies sent: {string.Join(", ", Copies)}.";
        if (Statement)
            yield return "A statement was sent.";
        if (Again is { } on)
            yield return $"To be called again on {Exactly.Day(on)}.";
    }
}
