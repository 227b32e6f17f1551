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
        connection.QuerySingleOrDefault<Account>("SELECT * FROM account WHERE code = @code", new { code })
        ?? throw new NotThereException("account", code);

    /// <summary>Opens an account from the company's defaults, with its first limit and state in force from the beginning.</summary>
    /// <exception cref="RefusedException">Any field that is missing, not fit or taken.</exception>
    public static Account Open(Tx tx, NewAccount from)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(from);
        var settings = CompanyStore.Settings(tx.Connection);
        var name = from.Name.Trim();
        if (name.Length is 0 or > 200) throw new RefusedException("name", "Give the customer's name, up to 200 characters.");
        var code = string.IsNullOrWhiteSpace(from.Code) ? AccountCode.Propose(name, c => Taken(tx, c)) : from.Code.Trim();
        if (!AccountCode.IsValid(code)) throw new RefusedException("code", "A code is 1 to 20 letters, digits, hyphens, dots, slashes or underscores.");
        if (Taken(tx, code)) throw new RefusedException("code", $"The code ‘{code}’ is taken; choose another or leave it empty.");

        var currency = from.Currency ?? Currency.Of(settings.BaseCurrency);
        var account = new Account
        {
            Code = code,
            Name = name,
            Currency = currency,
            Terms = PolicyStore.TermsByText(tx, from.Terms ?? settings.Defaults.Terms).Code,
            LateChargePolicy = Policy<LateChargePolicy>(tx, PolicyKind.LateCharge, from.LateChargePolicy, settings.Defaults.LateChargePolicy, "lateChargePolicy"),
            ReminderPlan = Policy<ReminderPlan>(tx, PolicyKind.ReminderPlan, from.ReminderPlan, settings.Defaults.ReminderPlan, "reminderPlan"),
            GroupName = from.GroupName.Trim(),
            Owner = from.Owner.Trim(),
            Email = from.Email.Trim(),
            Address = from.Address.Trim(),
            Version = 1,
        };
        var limit = LimitStore.CheckedLimit(from.Limit ?? settings.Defaults.Limit, currency);
        account = account with { Id = Insert(tx, account) };
        LimitStore.Begin(tx, account, limit, from.State);
        Audit.Record(tx, $"account:{code}", "opened", new { account.Name, currency = currency.Code, account.Terms, limit = limit.ToString(), state = from.State });
        tx.Touch(account.Id);
        return account;
    }

    /// <summary>Replaces the record when nobody else did meanwhile. Code and currency stay as they are.</summary>
    public static Account Change(Tx tx, Account account, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        var before = Get(tx.Connection, account.Code);
        if (before.Version != account.Version) throw new ChangedMeanwhileException($"The details of {account.Code}");
        var after = account with
        {
            Terms = PolicyStore.TermsByText(tx, account.Terms).Code,
            LateChargePolicy = Policy<LateChargePolicy>(tx, PolicyKind.LateCharge, account.LateChargePolicy ?? "", null, "lateChargePolicy"),
            ReminderPlan = Policy<ReminderPlan>(tx, PolicyKind.ReminderPlan, account.ReminderPlan ?? "", null, "reminderPlan"),
            Version = before.Version + 1,
        };
        if (string.IsNullOrWhiteSpace(after.Name)) throw new RefusedException("name", "Give the customer's name.");
        tx.Connection.Execute(
            """
            UPDATE account SET name = @Name, terms = @Terms, late_charge_policy = @LateChargePolicy, reminder_plan = @ReminderPlan,
                group_name = @GroupName, owner = @Owner, email = @Email, address = @Address, version = @Version
            WHERE id = @Id
            """, after);
        Audit.Record(tx, $"account:{account.Code}", "changed", new { before = Facts(before), after = Facts(after) }, reason);
        tx.Touch(after.Id);
        return after;
    }

    internal static long Insert(Tx tx, Account account) => tx.Connection.ExecuteScalar<long>(
        """
        INSERT INTO account (code, name, currency, terms, late_charge_policy, reminder_plan, group_name, owner, email, address)
        VALUES (@Code, @Name, @Currency, @Terms, @LateChargePolicy, @ReminderPlan, @GroupName, @Owner, @Email, @Address) RETURNING id
        """, account);

    private static object Facts(Account a) => new { a.Name, a.Terms, a.LateChargePolicy, a.ReminderPlan, a.GroupName, a.Owner, a.Email, a.Address };

    private static bool Taken(Tx tx, string code) =>
        tx.Connection.ExecuteScalar<long>("SELECT count(*) FROM account WHERE code = @code", new { code }) > 0;

    // Null means the default, an empty code means none.
    private static string? Policy<T>(Tx tx, string kind, string? code, string? fallback, string field)
    {
        var wanted = code ?? fallback;
        if (string.IsNullOrWhiteSpace(wanted)) return null;
        return PolicyStore.Find<T>(tx.Connection, kind, wanted)?.Code
            ?? throw new RefusedException(field, $"There is no policy ‘{wanted}’; choose one that is listed.");
    }
}
