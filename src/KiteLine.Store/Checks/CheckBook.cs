using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// What credit checks judge, read from the books once and kept for the checks that follow: an account's own position,
/// and those of its groups. Orders that are taken on the way are counted as if they were in the books.
/// </summary>
public sealed class CheckBook
{
    private readonly SqliteConnection _connection;
    private readonly DateOnly _today;
    private readonly PositionRules _rules;
    private readonly ExchangeRates _rates;
    private readonly IReadOnlyDictionary<string, BookGroup> _groups;
    private readonly Dictionary<long, AccountPosition> _positions = [];
    private readonly Dictionary<string, IReadOnlyList<long>> _members = new(StringComparer.OrdinalIgnoreCase);
    private readonly HashSet<(long Account, string Number)> _taken = [];

    /// <param name="connection">Whose state of the books it is; the changes of a running transaction included.</param>
    public CheckBook(SqliteConnection connection, DateOnly today)
    {
        (_connection, _today) = (connection, today);
        _rules = Rules.Positions(connection, today);
        _rates = RateStore.Rates(connection, CompanyStore.Settings(connection));
        _groups = GroupLoader.Load(connection);
    }

    /// <summary>Checks a document that would raise the exposure by an amount.</summary>
    public CreditCheck Check(Account account, Money asked)
    {
        ArgumentNullException.ThrowIfNull(account);
        var groups = BookGroup
            .Above(account.GroupName, _groups)
            .Where(g => LimitChange.On(g.Limits, _today) is not null)
            .Select(g => GroupPosition.On(g, _today, Positions(MembersOf(g)), _rates))
            .ToArray();
        return CheckDesk.Of(account, Positions([account.Id]).Single(), asked, groups, _rates, _rules.Calendar);
    }

    /// <summary>Whether an order of this number was taken on the way.</summary>
    internal bool HasTaken(Account account, string number) => _taken.Contains((account.Id, number));

    /// <summary>Counts an order from now on.</summary>
    internal void Take(Account account, BookOrder order)
    {
        _taken.Add((account.Id, order.Number));
        var before = Positions([account.Id]).Single().Account;
        var after = before with { Orders = [.. before.Orders, order] };
        _positions[account.Id] = AccountPosition.On(after, _today, _rules);
    }

    private IReadOnlyList<long> MembersOf(BookGroup group)
    {
        if (!_members.TryGetValue(group.Name, out var members))
            _members.Add(group.Name, members = [.. GroupStore.Members(_connection, group.Name)]);
        return members;
    }

    private IEnumerable<AccountPosition> Positions(IReadOnlyList<long> accounts)
    {
        var missing = accounts.Where(a => !_positions.ContainsKey(a)).ToArray();
        if (missing.Length > 0)
            foreach (var account in BookLoader.Load(_connection, missing))
                _positions.Add(account.Id, AccountPosition.On(account, _today, _rules));
        return accounts.Select(a => _positions[a]);
    }
}
