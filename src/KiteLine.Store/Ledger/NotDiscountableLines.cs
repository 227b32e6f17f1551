using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Which part of invoices in one currency is not discountable, where their lines are known. Few have such a part, so that the
/// others ask nothing.
/// </summary>
internal sealed class NotDiscountableLines(SqliteConnection connection, Currency currency, RoundingRule rounding)
{
    private readonly Dictionary<long, NotDiscountableParts?> _known = [];

    /// <summary>Of one invoice; null where none of it is, or where its lines are not known.</summary>
    internal NotDiscountableParts? Of(in ItemRows.Row row)
    {
        if (row.Amounts.NotDiscountable.IsZero)
            return null;
        if (!_known.TryGetValue(row.DocumentId, out var parts))
            _known.Add(row.DocumentId, parts = HasLines(row.DocumentId) ? Parts(row.DocumentId) : null);
        return parts;
    }

    private bool HasLines(long document)
    {
        using var query = Prepared.Kept(connection, "SELECT 1 FROM document_line WHERE document_id = ?1 LIMIT 1");
        query.Bind(1, document);
        var any = query.Next();
        query.Reset();
        return any;
    }

    private NotDiscountableParts? Parts(long document) =>
        NotDiscountable.Of(
            DocumentStore.Lines(connection, document, currency),
            DocumentStore.Taxes(connection, document, currency),
            currency,
            rounding
        );
}
