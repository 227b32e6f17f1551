using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Reads accounts with all their items and movements in compact form: one, several or the whole book.
/// </summary>
public static class BookLoader
{
    /// <summary>All accounts, by code.</summary>
    public static BookAccount[] Load(SqliteConnection connection) =>
        Load(connection, null, (_, places) => ItemReader.Deal([ItemReader.ReadAll(connection)], places));

    /// <summary>
    /// As <see cref="Load(SqliteConnection)"/>, with a second connection to the same books beside it, or with the items
    /// from a copy where one was kept.
    /// </summary>
    public static BookAccount[] Load(Books books, SqliteConnection connection)
    {
        if (BookCopy.Open(connection) is { } copy)
            return Load(
                connection,
                null,
                (_, places) => copy.Of(places) ?? ItemReader.Deal([ItemReader.ReadAll(connection)], places)
            );
        var items = new WholeBookReader(books, connection);
        return Load(connection, null, (_, places) => ItemReader.Deal(items.Finish(), places));
    }

    /// <summary>The accounts with the given identifiers, by code.</summary>
    public static BookAccount[] Load(SqliteConnection connection, IReadOnlyCollection<long> ids) =>
        Load(connection, ids, (_, places) => ItemReader.Deal([ItemReader.Read(connection, ids)], places));

    /// <summary>
    /// The same where they are at hand as they were: of their items only those are read that were added or moved since.
    /// </summary>
    /// <param name="before">An account by its code as it was before; null where it is not at hand.</param>
    /// <param name="moved">The items that were added or moved since, by account.</param>
    internal static BookAccount[] Load(
        SqliteConnection connection,
        IReadOnlyCollection<long> ids,
        Func<string, BookAccount?> before,
        IReadOnlyDictionary<long, HashSet<long>> moved
    ) =>
        Load(
            connection,
            ids,
            (heads, places) =>
            {
                var found = heads.ConvertAll(h => before(h.Code) is { } b && b.Id == h.Id ? b : null);
                return found.Contains(null)
                    ? ItemReader.Deal([ItemReader.Read(connection, ids)], places)
                    : MovedItems.After(
                        connection,
                        found.ConvertAll(b => b!),
                        ids.SelectMany(id => moved.GetValueOrDefault(id) ?? [])
                    );
            }
        );

    /// <summary>All or some accounts without items and movements: limits, states and orders alone.</summary>
    public static BookAccount[] Standing(SqliteConnection connection, IReadOnlyCollection<long>? ids = null) =>
        Load(connection, ids, null);

    private static BookAccount[] Load(
        SqliteConnection connection,
        IReadOnlyCollection<long>? ids,
        Func<List<Head>, Dictionary<long, int>, ItemReader.Held[]>? readItems
    )
    {
        var only = ids is null ? WholeBook : $" WHERE {{0}} IN ({string.Join(',', ids)}){KeptConnection.Once}";
        string Where(string column) => only.Replace("{0}", column, StringComparison.Ordinal);
        // Queries that narrow down by themselves go on with AND.
        string And(string column) =>
            ids is null ? WholeBook : $" AND {column} IN ({string.Join(',', ids)}){KeptConnection.Once}";
        var rows = Heads(connection, Where("id"));
        var currencies = rows.ToDictionary(r => r.Id, r => r.Currency);
        var places = new Dictionary<long, int>(rows.Count);
        for (var i = 0; i < rows.Count; i++)
            places.Add(rows[i].Id, i);
        var terms = TermsOf(connection, [.. rows.Select(r => r.Terms).Distinct()]);
        var limits = LimitsByAccount(connection, And("account_id"), rows, places);
        var uplifts = connection
            .Query<LimitRows.UpliftRow>(
                LimitRows.Of(LimitRows.Uplifts, "account_id")
                    + " WHERE account_id IS NOT NULL"
                    + And("account_id")
                    + " ORDER BY uplift.id"
            )
            .ToLookup(r => r.Id, r => r.ToUplift(currencies[r.Id]));
        var states = connection
            .Query<(long Id, string From, long State)>(
                "SELECT account_id, from_date, state FROM state_change" + Where("account_id") + " ORDER BY id"
            )
            .ToLookup(r => r.Id, r => new StateChange(Columns.Date(r.From), (AccountState)r.State));
        var orders = OrderBook.Load(connection, And("o.account_id"));
        var promises = BookParts.Promises(connection, And("p.account_id"));
        var formerGroups = BookParts.FormerGroups(connection, Where("account_id"));
        var dues = DueChanges.Of(connection, Where("account_id"));
        var pauses = BookParts.Pauses(connection, And("p.account_id"));
        var collection = BookParts.Collection(connection, And("c.account_id"));
        var calls = CallStore.Load(connection, And("c.account_id"));
        var receipts = BookParts.Receipts(connection, And("d.account_id"));
        var items = readItems?.Invoke(rows, places) ?? ItemReader.Deal([], places);
        var disputes = readItems is not null
            ? BookParts.Disputes(connection, And("i.account_id"), items, places)
            : Empty<BookDispute>();

        return rows.Select(
                (row, place) =>
                {
                    var (held, formerDues) = dues.Contains(row.Id)
                        ? DueChanges.Apply(items[place], dues[row.Id])
                        : (items[place], []);
                    return new BookAccount
                    {
                        Id = row.Id,
                        Code = row.Code,
                        Name = row.Name,
                        Currency = row.Currency,
                        Group = row.Group,
                        FormerGroups = Some(formerGroups, row.Id),
                        Owner = row.Owner,
                        ControlGroup = row.ControlGroup,
                        CustomerType = row.CustomerType,
                        TermsCode = row.Terms,
                        Terms = terms.GetValueOrDefault(row.Terms),
                        Fields = row.Fields is "" or "{}"
                            ? NoFields
                            : Json.Read<Dictionary<string, string>>(row.Fields),
                        Limits = limits.Of(place),
                        Uplifts = Some(uplifts, row.Id),
                        States = Some(states, row.Id),
                        Orders = Some(orders, row.Id),
                        Receipts = Some(receipts, row.Id),
                        Disputes = Some(disputes, row.Id),
                        Promises = Some(promises, row.Id),
                        Pauses = Some(pauses, row.Id),
                        Collection = Some(collection, row.Id),
                        CallAgain = calls.GetValueOrDefault(row.Id),
                        Items = held.Items,
                        ItemIds = held.Ids,
                        Movements = held.Movements,
                        FormerDues = formerDues,
                    };
                }
            )
            .ToArray();
    }

    private sealed record Head(
        long Id,
        string Code,
        string Name,
        Currency Currency,
        string Group,
        string Owner,
        string Terms,
        string Fields,
        string ControlGroup,
        string CustomerType
    );

    private static List<Head> Heads(SqliteConnection connection, string where)
    {
        var heads = new List<Head>();
        // Most accounts share these with many others.
        var shared = new TextPool();
        using var query = new Prepared(
            connection,
            "SELECT id, code, name, currency, group_name, owner, terms, profile -> '$.fields', profile ->> '$.controlGroup', "
                + "profile ->> '$.customerType' FROM account"
                + where
                + " ORDER BY code"
        );
        while (query.Next())
            heads.Add(
                new(
                    query.Long(0),
                    query.Text(1),
                    query.Text(2),
                    Currency.Of(shared.Text(query, 3)),
                    shared.Text(query, 4),
                    shared.Text(query, 5),
                    shared.Text(query, 6),
                    shared.Text(query, 7),
                    shared.Text(query, 8),
                    shared.Text(query, 9)
                )
            );
        return heads;
    }

    private static Dealer<LimitChange> LimitsByAccount(
        SqliteConnection connection,
        string and,
        List<Head> heads,
        Dictionary<long, int> places
    )
    {
        var rows = new List<(int Place, LimitChange Change)>(heads.Count);
        using var query = new Prepared(
            connection,
            LimitRows.Of(LimitRows.Limits, "account_id")
                + " WHERE account_id IS NOT NULL"
                + and
                + " ORDER BY limit_change.id"
        );
        while (query.Next())
        {
            var place = places[query.Long(0)];
            rows.Add(
                (
                    place,
                    new(
                        query.Date(1),
                        Money.FromMinor(query.Long(2), heads[place].Currency),
                        query.Date(3),
                        (LimitSource)query.Long(4),
                        query.Long(5),
                        query.OptionalDate(6)
                    )
                )
            );
        }

        var dealer = new Dealer<LimitChange>(heads.Count);
        foreach (var (place, _) in rows)
            dealer.Expect(place, 1);
        foreach (var (place, change) in rows)
            dealer.Give(place, change);
        return dealer;
    }

    // Names the few queries that read tables from end to end, at start, for whoever looks at what is slow.
    private const string WholeBook = " /* the whole book */";

    private static readonly Dictionary<string, string> NoFields = [];

    private static IReadOnlyList<T> Some<T>(ILookup<long, T> lookup, long id) =>
        lookup.Contains(id) ? [.. lookup[id]] : [];

    private static ILookup<long, T> Empty<T>() => Array.Empty<(long Id, T Value)>().ToLookup(x => x.Id, x => x.Value);

    private static Dictionary<string, Terms> TermsOf(SqliteConnection connection, string[] codes)
    {
        var definitions = connection.Query<(string Code, string Definition)>(
            "SELECT code, definition FROM policy WHERE kind = 'terms' AND is_current AND code IN @codes",
            new { codes }
        );
        return definitions.ToDictionary(
            t => t.Code,
            t => Json.Read<TermsDefinition>(t.Definition).ToTerms(),
            StringComparer.Ordinal
        );
    }

    /// <summary>
    /// The documents of an account's items, in the order in which
    /// <see cref="Load(SqliteConnection, IReadOnlyCollection{long})"/> gives the items.
    /// </summary>
    public static IReadOnlyList<string> Documents(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection
            .Query<string>(
                """
                SELECT CASE WHEN i.instalments > 1 THEN d.number || '/' || i.instalment ELSE d.number END
                FROM item i JOIN document d ON d.id = i.document_id WHERE i.account_id = @Id ORDER BY i.id
                """,
                new { account.Id }
            )
            .AsList();
    }
}
