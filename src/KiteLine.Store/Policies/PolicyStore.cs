using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Terms, late-charge policies and reminder plans. A change makes a new version; documents keep theirs.
/// </summary>
public static class PolicyStore
{
    private sealed record Row(
        long Id,
        string Code,
        long Version,
        string Name,
        string Definition,
        string MadeBy,
        string MadeAt
    )
    {
        internal StoredPolicy<T> As<T>() => new(Id, Code, (int)Version, Name, Json.Read<T>(Definition), MadeBy, MadeAt);
    }

    private const string Select = "SELECT id, code, version, name, definition, made_by, made_at FROM policy ";

    /// <summary>The current versions of a kind, by code.</summary>
    public static IReadOnlyList<StoredPolicy<T>> All<T>(SqliteConnection connection, string kind) =>
        connection
            .Query<Row>(Select + "WHERE kind = @kind AND is_current ORDER BY code", new { kind })
            .Select(r => r.As<T>())
            .ToList();

    /// <summary>All versions of one policy, latest first.</summary>
    public static IReadOnlyList<StoredPolicy<T>> Versions<T>(SqliteConnection connection, string kind, string code) =>
        connection
            .Query<Row>(Select + "WHERE kind = @kind AND code = @code ORDER BY version DESC", new { kind, code })
            .Select(r => r.As<T>())
            .ToList();

    /// <summary>The current version of a policy, or null.</summary>
    public static StoredPolicy<T>? Find<T>(SqliteConnection connection, string kind, string? code) =>
        code is null
            ? null
            : connection
                .QuerySingleOrDefault<Row>(
                    Select + "WHERE kind = @kind AND code = @code AND is_current",
                    new { kind, code }
                )
                ?.As<T>();

    /// <summary>The current version of a policy as it is stored, or null.</summary>
    internal static (long Id, string Definition)? CurrentText(SqliteConnection connection, string kind, string? code) =>
        code is null
            ? null
            : connection.QueryFirstOrDefault<(long Id, string Definition)?>(
                "SELECT id, definition FROM policy WHERE kind = @kind AND code = @code AND is_current",
                new { kind, code }
            );

    /// <summary>The identifier of the version in force, which must be there.</summary>
    internal static long CurrentId(SqliteConnection connection, string kind, string code)
    {
        using var query = Prepared.Kept(
            connection,
            "SELECT id FROM policy WHERE kind = ?1 AND code = ?2 AND is_current"
        );
        query.Bind(1, kind);
        query.Bind(2, code);
        return query.Next() ? query.Long(0) : throw new NotThereException(kind, code);
    }

    /// <summary>The version with this identifier.</summary>
    public static StoredPolicy<T> ById<T>(SqliteConnection connection, long id) =>
        connection.QuerySingle<Row>(Select + "WHERE id = @id", new { id }).As<T>();

    /// <summary>
    /// The late-charge policy of an account that names one, with the reference rate it names; or null.
    /// </summary>
    public static LateChargePolicy? LateCharge(SqliteConnection connection, string? code) =>
        Find<LateChargePolicy>(connection, PolicyKind.LateCharge, code) is { } stored
            ? WithReference(connection, stored.Definition)
            : null;

    /// <summary>The policy with the reference rate it names brought along, where the company keeps one.</summary>
    public static LateChargePolicy WithReference(SqliteConnection connection, LateChargePolicy policy)
    {
        ArgumentNullException.ThrowIfNull(policy);
        return policy.Reference is not { } rule
            ? policy
            : policy with
            {
                ReferenceRates = Find<ReferenceRate>(connection, PolicyKind.ReferenceRate, rule.Code)?.Definition,
            };
    }

    /// <summary>How many accounts name a policy.</summary>
    public static IReadOnlyDictionary<string, long> Uses(SqliteConnection connection, string kind)
    {
        if (Column(kind) is not { } column)
            return new Dictionary<string, long>();
        return connection
            .Query<(string Code, long Uses)>(
                $"SELECT {column}, count(*) FROM account WHERE {column} IS NOT NULL GROUP BY 1"
            )
            .ToDictionary(r => r.Code, r => r.Uses, StringComparer.Ordinal);
    }

    /// <summary>How many accounts name one policy, and the first of them by name.</summary>
    public static (long Total, IReadOnlyList<Account> First) Users(
        SqliteConnection connection,
        string kind,
        string code,
        int take
    )
    {
        if (Column(kind) is not { } column)
            return (0, []);
        return (
            connection.ExecuteScalar<long>($"SELECT count(*) FROM account WHERE {column} = @code", new { code }),
            connection
                .Query<Account>(
                    $"SELECT * FROM account WHERE {column} = @code ORDER BY name LIMIT @take",
                    new { code, take }
                )
                .AsList()
        );
    }

    // Calendars belong to the company, not to accounts.
    private static string? Column(string kind) =>
        kind switch
        {
            PolicyKind.Terms => "terms",
            PolicyKind.LateCharge => "late_charge_policy",
            PolicyKind.ReminderPlan => "reminder_plan",
            PolicyKind.TaxCode => "tax_code",
            _ => null,
        };

    /// <summary>Stores a new policy or a new version of one.</summary>
    /// <param name="version">The version that was read, or 0 for a new policy.</param>
    /// <exception cref="RefusedException">A new policy's code is taken or not fit.</exception>
    /// <exception cref="ChangedMeanwhileException">The version is not the current one.</exception>
    public static StoredPolicy<T> Save<T>(
        Tx tx,
        string kind,
        string code,
        string name,
        T definition,
        long version,
        string reason = ""
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(definition);
        var before = Find<T>(tx.Connection, kind, code);
        if (version == 0 && before is not null)
            throw new RefusedException("code", $"There is a policy ‘{code}’ already; open it to change it.");
        if (version != 0 && before is null)
            throw new NotThereException("policy", code);
        if (before is not null && before.Version != version)
            throw new ChangedMeanwhileException($"The details of ‘{code}’");
        if (before is null)
            AddressableName.Check("code", code);
        if (string.IsNullOrWhiteSpace(name))
            throw new RefusedException("name", "Give the policy a name.");

        tx.Connection.Execute(
            "UPDATE policy SET is_current = 0 WHERE kind = @kind AND code = @code",
            new { kind, code }
        );
        var row = new
        {
            kind,
            code,
            version = checked((int)version + 1),
            name = name.Trim(),
            definition = Json.Write(definition),
            who = tx.Who,
            now = tx.Now,
        };
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO policy (kind, code, version, name, definition, is_current, made_by, made_at)
            VALUES (@kind, @code, @version, @name, @definition, 1, @who, @now) RETURNING id
            """,
            row
        );
        Audit.Record(
            tx,
            $"{kind}:{code}",
            before is null ? "created" : "changed",
            new
            {
                before = before is null ? default : before.Definition,
                after = definition,
                row.name,
                row.version,
            },
            reason
        );
        // A copy of the book in memory holds the calendar, and the terms of every account for its forecast.
        if (kind == PolicyKind.Calendar)
            tx.TouchCompany();
        if (kind == PolicyKind.Terms && before is not null)
            TouchAccountsWith(tx, code);
        return new(id, code, row.version, row.name, definition, row.who, row.now);
    }

    private static void TouchAccountsWith(Tx tx, string terms)
    {
        foreach (var id in tx.Connection.Query<long>("SELECT id FROM account WHERE terms = @terms", new { terms }))
            tx.Touch(id);
        // A list that long is read faster in one pass over everything.
        if (tx.Accounts.Count > 5000)
            tx.TouchAll();
    }

    /// <summary>Terms by code, or by reading a shorthand text; nothing is stored.</summary>
    /// <exception cref="RefusedException">Neither a code nor readable shorthand, or terms that make no
    /// sense.</exception>
    public static Terms TermsOf(SqliteConnection connection, string text, string field = "terms")
    {
        ArgumentNullException.ThrowIfNull(text);
        var stored = Find<TermsDefinition>(connection, PolicyKind.Terms, text.Trim());
        return (stored?.Definition ?? TermsDefinition.Checked(text, field: field)).ToTerms();
    }

    /// <summary>
    /// Finds terms by code, or by reading a shorthand text; terms not met before are stored under their normal form.
    /// </summary>
    /// <exception cref="RefusedException">Neither a code nor readable shorthand, or terms that make no
    /// sense.</exception>
    public static StoredPolicy<TermsDefinition> TermsByText(Tx tx, string text, string field = "terms")
    {
        ArgumentNullException.ThrowIfNull(tx);
        if (Find<TermsDefinition>(tx.Connection, PolicyKind.Terms, text.Trim()) is { } byCode)
            return byCode;
        var definition = TermsDefinition.Checked(text, field: field);
        return Find<TermsDefinition>(tx.Connection, PolicyKind.Terms, definition.Text)
            ?? Save(tx, PolicyKind.Terms, definition.Text, definition.Text, definition, 0);
    }
}
