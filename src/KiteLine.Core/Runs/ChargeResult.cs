namespace KiteLine.Core;

/// <summary>What came of the charge documents of a run in one currency, by value.</summary>
/// <param name="Raised">Their amounts when they were posted.</param>
/// <param name="Paid">Cash on them.</param>
/// <param name="Waived">What was written off, set off or reversed.</param>
/// <param name="Open">What is left: raised less paid and waived.</param>
public sealed record ChargeResult(int Documents, Money Raised, Money Paid, Money Waived, Money Open)
{
    /// <summary>Adds the documents of a run up, by currency.</summary>
    /// <param name="items">The movements of each document's item up to the day of the question, the opening first.</param>
    public static IReadOnlyList<ChargeResult> Of(
        IEnumerable<(Currency Currency, IReadOnlyList<(MovementKind Kind, long Minor)> Movements)> items
    )
    {
        ArgumentNullException.ThrowIfNull(items);
        return
        [
            .. items
                .GroupBy(i => i.Currency)
                .OrderBy(g => g.Key.Code, StringComparer.Ordinal)
                .Select(g =>
                {
                    Money Sum(Func<MovementKind, int, bool> which) =>
                        Money.FromMinor(
                            g.Sum(i => i.Movements.Where((m, at) => which(m.Kind, at)).Sum(m => m.Minor)),
                            g.Key
                        );
                    var raised = Sum((_, at) => at == 0);
                    var paid = -Sum((kind, _) => kind == MovementKind.Cash);
                    var open = Sum((_, _) => true);
                    return new ChargeResult(g.Count(), raised, paid, raised - paid - open, open);
                }),
        ];
    }
}
