using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The records of the accounts.</summary>
public static class AccountStore
{
    /// <summary>The account with this code, whatever its case.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static Account Get(SqliteConnection connection, string code) =>
        Find(connection, code) ?? throw new NotThereException("account", code);

    /// <summary>The account with this identifier.</summary>
    public static Account ById(SqliteConnection connection, long id) =>
        connection.QuerySingle<Account>("SELECT * FROM account WHERE id = @id", new { id });

    /// <summary>The accounts with these identifiers.</summary>
    public static IReadOnlyList<Account> ById(SqliteConnection connection, IReadOnlyCollection<long> ids) =>
        connection
            .Query<Account>(
                "SELECT a.* FROM json_each(@ids) x CROSS JOIN account a ON a.id = x.value",
                new { ids = Json.Write(ids) }
            )
            .AsList();

    /// <summary>The accounts with these codes, by code, whatever its case.</summary>
    /// <exception cref="NotThereException">One of them is not there.</exception>
    public static IReadOnlyDictionary<string, Account> Get(
        SqliteConnection connection,
        IReadOnlyCollection<string> codes
    )
    {
        ArgumentNullException.ThrowIfNull(codes);
        // A statement takes only so many values.
        var found = codes
            .Chunk(1000)
            .SelectMany(some => connection.Query<Account>("SELECT * FROM account WHERE code IN @some", new { some }))
            .ToDictionary(a => a.Code, StringComparer.OrdinalIgnoreCase);
        return codes.FirstOrDefault(c => !found.ContainsKey(c)) is { } missing
            ? throw new NotThereException("account", missing)
            : found;
    }

    /// <summary>Identifiers and short-pay allowances of many accounts, by code, whatever its case.</summary>
    internal static IReadOnlyDictionary<string, (long Id, AccountAllowance Allowance)> Allowances(
        SqliteConnection connection,
        IReadOnlyCollection<string> codes
    )
    {
        using var query = new Prepared(connection, "SELECT id, profile -> '$.allowance' FROM account WHERE code = ?1");
        var found = new Dictionary<string, (long, AccountAllowance)>(StringComparer.OrdinalIgnoreCase);
        // Nearly all have the same.
        var read = new Dictionary<string, AccountAllowance>(StringComparer.Ordinal);
        foreach (var code in codes)
        {
            query.Bind(1, code);
            if (!query.Next())
                throw new NotThereException("account", code);
            var text = query.Text(1);
            if (!read.TryGetValue(text, out var allowance))
                read[text] = allowance =
                    text.Length == 0 ? AccountAllowance.Company : Json.Read<AccountAllowance>(text);
            found[code] = (query.Long(0), allowance);
            query.Reset();
        }

        return found;
    }

    /// <summary>The account of a code, without regard to case; null where there is none.</summary>
    public static Account? Find(SqliteConnection connection, string code) =>
        connection.QuerySingleOrDefault<Account>("SELECT * FROM account WHERE code = @code", new { code });

    /// <summary>How many accounts there are.</summary>
    public static long Count(SqliteConnection connection) =>
        connection.ExecuteScalar<long>("SELECT count(*) FROM account");

    /// <summary>How many customers' records have this value at a JSON path, or any value when null is given.</summary>
    public static long CountWith(SqliteConnection connection, string path, string? value) =>
        connection.ExecuteScalar<long>(
            "SELECT count(*) FROM account WHERE CASE WHEN @value IS NULL THEN profile ->> @path IS NOT NULL ELSE "
                + "profile ->> @path = @value END",
            new { path, value }
        );

    /// <summary>
    /// Opens an account from the company's defaults, with its first limit and state in force from the beginning.
    /// </summary>
    /// <exception cref="RefusedException">Any field that is missing, not fit or taken.</exception>
    public static Account Open(Tx tx, NewAccount from)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(from);
        var settings = CompanyStore.Settings(tx.Connection);
        var defaults = settings.Defaults;
        var name = from.Name.Trim();
        if (name.Length is 0 or > 200)
            throw new RefusedException("name", "Give the customer's name, up to 200 characters.");
        var code = string.IsNullOrWhiteSpace(from.Code)
            ? AccountCode.Propose(name, c => Taken(tx, c))
            : from.Code.Trim();
        if (!AccountCode.IsValid(code))
            throw new RefusedException("code", AccountCode.Wanted);
        if (Taken(tx, code))
            throw new RefusedException("code", $"The code ‘{code}’ is taken; choose another or leave it empty.");
        var currency = from.Currency ?? Currency.Of(defaults.Currency ?? settings.BaseCurrency);
        var account = Checked(
            tx,
            settings,
            new Account
            {
                Code = code,
                Name = name,
                Currency = currency,
                Terms = from.Terms ?? defaults.Terms,
                LateChargePolicy = from.LateChargePolicy ?? defaults.LateChargePolicy,
                ReminderPlan = from.ReminderPlan ?? defaults.ReminderPlan,
                TaxCode = from.TaxCode ?? defaults.TaxCode,
                GroupName = from.GroupName.Trim(),
                Owner = from.Owner.Trim(),
                Email = from.Email.Trim(),
                Address = from.Address.Trim(),
                Profile = from.Profile ?? ProfileOf(defaults),
                Version = 1,
            }
        );
        RelaxedChecks.RefuseWithoutAuthority(
            defaults.Responses ?? new(),
            account.Profile.Responses,
            tx.Actor.Authority
        );
        RefuseAllowance(tx, settings, AccountAllowance.Company, account);
        var limit = LimitDecision.Amount(from.Limit ?? defaults.Limit, currency);
        if (
            !tx.Actor.Authority.Covers(tx.Actor.Authority.Limit, limit, tx.Rules(), "limit")
            && limit > Money.Round(defaults.Limit, currency, settings.Rounding)
        )
            throw new RefusedException(
                "limit",
                "This limit lies above your authority; open the account with less and ask for more on it."
            );
        RefuseTerms(tx, defaults.Terms, account.Terms, limit);
        account = account with { Id = Insert(tx, account) };
        LimitStore.Begin(tx, account, limit, from.State);
        var facts = Facts(account);
        (facts["currency"], facts["limit"], facts["state"]) = (currency.Code, limit.ToString(), from.State);
        // Beside an empty record, so that only what was given stands in the log.
        Audit.Record(tx, $"account:{code}", "opened", new { before = Facts(new()), after = facts });
        tx.Touch(account.Id);
        return account;
    }

    /// <summary>Replaces the record when nobody else did meanwhile. Code and currency stay as they are.</summary>
    /// <exception cref="RefusedException">Any field that is missing or not fit; or a check is relaxed without the
    /// authority to release.</exception>
    /// <exception cref="ChangedMeanwhileException">The version is not the current one.</exception>
    public static Account Change(Tx tx, Account account, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        var before = Get(tx.Connection, account.Code);
        if (before.Version != account.Version)
            throw new ChangedMeanwhileException($"The details of {account.Code}");
        if (string.IsNullOrWhiteSpace(account.Name))
            throw new RefusedException("name", "Give the customer's name.");
        var after = Checked(tx, CompanyStore.Settings(tx.Connection), account) with { Version = before.Version + 1 };
        var responses = before.Profile.Responses;
        RelaxedChecks.RefuseWithoutAuthority(responses, after.Profile.Responses, tx.Actor.Authority);
        RefuseAllowance(tx, CompanyStore.Settings(tx.Connection), before.Profile.Allowance, after);
        RefuseTerms(tx, before.Terms, after.Terms, LimitStore.Highest(tx, LimitHolder.Of(before)));
        if (
            before.GroupName.Length > 0
            && !before.GroupName.Equals(after.GroupName, StringComparison.OrdinalIgnoreCase)
        )
        {
            RelaxedChecks.RefuseLifting(responses.GroupOverLimit, tx.Actor.Authority, "group");
            GroupStore.RefuseLeaving(tx, before.GroupName, after.GroupName, "group");
        }

        tx.Connection.Execute(
            """
            UPDATE account SET name = @Name, terms = @Terms, late_charge_policy = @LateChargePolicy,
                reminder_plan = @ReminderPlan, tax_code = @TaxCode,
                group_name = @GroupName, owner = @Owner, email = @Email, address = @Address,
                profile = @Profile, version = @Version
            WHERE id = @Id
            """,
            after
        );
        if (before.GroupName != after.GroupName)
            tx.Connection.Execute(
                "INSERT INTO former_group (account_id, until, group_name) VALUES (@Id, @until, @GroupName)",
                new
                {
                    before.Id,
                    until = tx.BusinessDate(),
                    before.GroupName,
                }
            );
        WriteIdentifiers(tx, after);
        Audit.Record(
            tx,
            $"account:{account.Code}",
            "changed",
            new { before = Facts(before), after = Facts(after) },
            reason
        );
        tx.Touch(after.Id);
        return after;
    }

    /// <summary>What a new customer's record starts from.</summary>
    public static CustomerProfile ProfileOf(NewCustomerSettings defaults)
    {
        ArgumentNullException.ThrowIfNull(defaults);
        return new() { Delivery = defaults.Delivery, Responses = defaults.Responses ?? new() };
    }

    private static long Insert(Tx tx, Account account)
    {
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO account (code, name, currency, terms, late_charge_policy, reminder_plan, tax_code, group_name,
                owner, email, address, profile)
            VALUES (@Code, @Name, @Currency, @Terms, @LateChargePolicy, @ReminderPlan, @TaxCode, @GroupName, @Owner,
                @Email, @Address, @Profile) RETURNING id
            """,
            account
        );
        if (account.Profile.Identifiers.Count > 0)
            WriteIdentifiers(tx, account with { Id = id });
        return id;
    }

    // The policies exist, the terms are stored, and the record is sound.
    private static Account Checked(Tx tx, CompanySettings settings, Account account)
    {
        if (!EmailAddresses.AreSound(account.Email))
            throw new RefusedException("email", EmailAddresses.Wanted);
        RefusedException.ThrowIfAny([
            .. CustomerCheck.Problems(account.Profile, settings),
            .. account.Profile.Allowance.Problems(account.Currency),
        ]);
        return account with
        {
            GroupName = GroupStore.Known(tx, account.GroupName),
            Terms = PolicyStore.TermsByText(tx, account.Terms).Code,
            LateChargePolicy = Policy<LateChargePolicy>(
                tx,
                PolicyKind.LateCharge,
                account.LateChargePolicy,
                "lateChargePolicy"
            ),
            ReminderPlan = Policy<ReminderPlan>(tx, PolicyKind.ReminderPlan, account.ReminderPlan, "reminderPlan"),
            TaxCode = Policy<TaxCode>(tx, PolicyKind.TaxCode, account.TaxCode, "taxCode"),
        };
    }

    private static void RefuseTerms(Tx tx, string before, string after, Money limit)
    {
        if (before != after && tx.Actor.Authority.Discount is not null)
            BetterTerms.RefuseBeyondOfAccount(
                InvoiceTerms.Usual(tx.Connection, after),
                InvoiceTerms.Usual(tx.Connection, before),
                limit,
                tx.Actor.Authority,
                tx.Rules()
            );
    }

    private static void RefuseAllowance(Tx tx, CompanySettings settings, AccountAllowance before, Account after)
    {
        var rules = tx.Rules();
        AllowanceOfAccount.RefuseWithoutAuthority(
            before,
            after.Profile.Allowance,
            settings.Allowance.In(after.Currency, rules.Today, rules.Rates),
            after.Currency,
            tx.Actor.Role,
            tx.Actor.Authority,
            rules
        );
    }

    private static void WriteIdentifiers(Tx tx, Account account)
    {
        tx.Connection.Execute("DELETE FROM account_identifier WHERE account_id = @Id", new { account.Id });
        foreach (var identifier in account.Profile.Identifiers)
            tx.Connection.Execute(
                "INSERT INTO account_identifier VALUES (@Id, @Scheme, @Number)",
                new
                {
                    account.Id,
                    identifier.Scheme,
                    identifier.Number,
                }
            );
    }

    private static Dictionary<string, object?> Facts(Account a) =>
        new()
        {
            ["name"] = a.Name,
            ["terms"] = a.Terms,
            ["lateChargePolicy"] = a.LateChargePolicy,
            ["reminderPlan"] = a.ReminderPlan,
            ["taxCode"] = a.TaxCode,
            ["group"] = a.GroupName,
            ["owner"] = a.Owner,
            ["email"] = a.Email,
            ["address"] = a.Address,
            ["record"] = a.Profile,
        };

    private static bool Taken(Tx tx, string code) =>
        tx.Connection.ExecuteScalar<long>("SELECT count(*) FROM account WHERE code = @code", new { code }) > 0;

    // An empty code means none.
    private static string? Policy<T>(Tx tx, string kind, string? code, string field)
    {
        if (string.IsNullOrWhiteSpace(code))
            return null;
        return PolicyStore.Find<T>(tx.Connection, kind, code)?.Code
            ?? throw new RefusedException(
                field,
                $"There is no {kind.Replace('-', ' ')} ‘{code}’; choose one that is listed."
            );
    }
}
