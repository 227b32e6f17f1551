using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>
/// Writes new accounts with their first limit and state, all with one record of a customer; a book may have very many.
/// </summary>
internal sealed class CustomerWriter : IDisposable
{
    private readonly Prepared _account;
    private readonly Prepared _limit;
    private readonly Prepared _state;
    private long _id;

    /// <param name="lastId">The highest identifier an account has; the writer's lock is held, so the next ones can be
    /// given here.</param>
    internal CustomerWriter(Tx tx, CustomerProfile profile, string? taxCode, long lastId)
    {
        _id = lastId;
        _account = new(
            tx.Connection,
            """
            INSERT INTO account (id, code, name, currency, terms, late_charge_policy, reminder_plan, tax_code,
                group_name, email, profile)
            VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8, ?9, ?10, ?11)
            """
        );
        _account.Bind(8, taxCode);
        _account.Bind(11, Json.Write(profile));
        var (beginning, now) = (Columns.Text(DateOnly.MinValue), tx.Now);
        _limit = new(
            tx.Connection,
            "INSERT INTO limit_change (account_id, amount, from_date, recorded_on, reason, made_by, made_at) VALUES "
                + "(?1, ?2, ?3, ?3, 'first limit', ?4, ?5)"
        );
        _state = new(
            tx.Connection,
            "INSERT INTO state_change (account_id, state, from_date, reason, made_by, made_at) VALUES (?1, ?2, ?3, "
                + "'first state', ?4, ?5)"
        );
        foreach (var first in new[] { _limit, _state })
        {
            first.Bind(3, beginning);
            first.Bind(4, tx.Who);
            first.Bind(5, now);
        }
    }

    /// <summary>
    /// Stores an account with its first limit and state, in force from the beginning, and gives its identifier.
    /// </summary>
    internal long Write(Account account, Money limit, AccountState state)
    {
        _account.Bind(1, ++_id);
        _account.Bind(2, account.Code);
        _account.Bind(3, account.Name);
        _account.Bind(4, account.Currency.Code);
        _account.Bind(5, account.Terms);
        _account.Bind(6, account.LateChargePolicy);
        _account.Bind(7, account.ReminderPlan);
        _account.Bind(9, account.GroupName);
        _account.Bind(10, account.Email);
        _account.Run();
        _limit.Bind(1, _id);
        _limit.Bind(2, limit.Minor);
        _limit.Run();
        if (state == AccountState.Open)
            return _id;
        _state.Bind(1, _id);
        _state.Bind(2, (long)state);
        _state.Run();
        return _id;
    }

    public void Dispose()
    {
        _account.Dispose();
        _limit.Dispose();
        _state.Dispose();
    }
}
