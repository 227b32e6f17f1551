using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>The whole book as it was after one commit. It never changes.</summary>
/// <param name="Changes">The number of the commit.</param>
/// <param name="Settings">The company's settings at that time.</param>
/// <param name="Accounts">All accounts, by code.</param>
/// <param name="Groups">All groups, by name.</param>
public sealed record BookSnapshot(
    long Changes,
    CompanySettings Settings,
    BookAccount[] Accounts,
    IReadOnlyDictionary<string, BookGroup> Groups,
    ExchangeRates Rates,
    BusinessCalendar Calendar
)
{
    // The places of the members of each group among the accounts: good for every copy in which nobody changed groups.
    private Lazy<ILookup<string, int>>? _members;
    private Lazy<int[]>? _moved;
    private Lazy<ILookup<string, BookGroup>>? _below;

    /// <summary>The account with this code, whatever its case, or null.</summary>
    public BookAccount? Find(string code)
    {
        var at = Array.BinarySearch(
            Accounts,
            new()
            {
                Id = 0,
                Code = code,
                Name = "",
                Currency = Currency.Of("GBP"),
            },
            ByCode
        );
        return at >= 0 ? Accounts[at] : null;
    }

    /// <summary>The accounts of a group and of the groups below it at the end of a day.</summary>
    public IEnumerable<BookAccount> MembersOf(BookGroup group, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(group);
        _members ??= new(() =>
            Enumerable
                .Range(0, Accounts.Length)
                .Where(i => Accounts[i].Group.Length > 0)
                .ToLookup(i => Accounts[i].Group, StringComparer.OrdinalIgnoreCase)
        );
        _below ??= new(() =>
            Groups
                .Values.Where(g => g.Parent.Length > 0)
                .OrderBy(g => g.Name, StringComparer.OrdinalIgnoreCase)
                .ToLookup(g => g.Parent, StringComparer.OrdinalIgnoreCase)
        );
        // Hardly any account was ever moved to another group.
        _moved ??= new(() => [.. Enumerable.Range(0, Accounts.Length).Where(i => Accounts[i].FormerGroups.Count > 0)]);
        return Below(group, day, []).SelectMany(g => MembersOf(g.Name, day)).Select(i => Accounts[i]);
    }

    private IEnumerable<int> MembersOf(string group, DateOnly day)
    {
        bool Was(int i) => string.Equals(Accounts[i].GroupOn(day), group, StringComparison.OrdinalIgnoreCase);
        return _moved!.Value.Length == 0
            ? _members!.Value[group]
            : _members!.Value[group].Where(Was).Union(_moved.Value.Where(Was)).Order();
    }

    private IEnumerable<BookGroup> Below(BookGroup group, DateOnly day, HashSet<string> seen)
    {
        if (!seen.Add(group.Name))
            yield break;
        yield return group;
        foreach (var child in Children(group, day))
        foreach (var g in Below(child, day, seen))
            yield return g;
    }

    // Hardly any group was ever moved to another one.
    private IEnumerable<BookGroup> Children(BookGroup group, DateOnly day) =>
        Groups.Values.All(g => g.FormerParents.Count == 0)
            ? _below!.Value[group.Name]
            : Groups
                .Values.Where(g => g.ParentOn(day).Equals(group.Name, StringComparison.OrdinalIgnoreCase))
                .OrderBy(g => g.Name, StringComparer.OrdinalIgnoreCase);

    /// <summary>How positions of a day are looked at.</summary>
    public PositionRules PositionRules(DateOnly day) => Core.PositionRules.Of(Settings, Calendar, day);

    /// <summary>Where a group stands on a day.</summary>
    /// <exception cref="RefusedException">Its accounts are worth more than can be added up.</exception>
    public GroupPosition PositionOf(BookGroup group, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(group);
        var rules = PositionRules(day);
        try
        {
            return GroupPosition.On(
                group,
                day,
                MembersOf(group, day).Select(a => AccountPosition.On(a, day, rules)),
                Rates
            );
        }
        catch (OverflowException)
        {
            throw new RefusedException(
                "group",
                $"The accounts of the group ‘{group.Name}’ are worth more {group.Currency.Code} than can be added up; "
                    + "look whether its exchange rates are right."
            );
        }
    }

    /// <summary>
    /// Where all groups stand on a day. One whose accounts are worth more than can be added up, as by a rate that is
    /// wrong, is left out, so that the others can be seen.
    /// </summary>
    public IEnumerable<GroupPosition> GroupPositions(DateOnly day)
    {
        foreach (var group in Groups.Values)
        {
            GroupPosition position;
            try
            {
                position = PositionOf(group, day);
            }
            catch (RefusedException)
            {
                continue;
            }

            yield return position;
        }
    }

    /// <summary>The same book with some accounts replaced or added.</summary>
    internal BookSnapshot With(long changes, IEnumerable<BookAccount> changed)
    {
        var accounts = Accounts;
        var added = new List<BookAccount>();
        var moved = false;
        foreach (var account in changed)
        {
            // Whatever rests on the accounts stays good when none of them was touched.
            if (ReferenceEquals(accounts, Accounts))
                accounts = (BookAccount[])Accounts.Clone();
            var at = Array.BinarySearch(accounts, account, ByCode);
            moved |=
                at < 0
                || accounts[at].Group != account.Group
                || accounts[at].FormerGroups.Count != account.FormerGroups.Count;
            if (at >= 0)
                accounts[at] = account;
            else
                added.Add(account);
        }

        if (added.Count > 0)
            accounts = [.. accounts.Concat(added).OrderBy(a => a, ByCode)];
        return this with
        {
            Changes = changes,
            Accounts = accounts,
            _members = moved ? null : _members,
            _moved = moved ? null : _moved,
        };
    }

    /// <summary>The same book with other groups and rates.</summary>
    internal BookSnapshot With(IReadOnlyDictionary<string, BookGroup> groups, ExchangeRates rates) =>
        this with
        {
            Groups = groups,
            Rates = rates,
            _below = null,
        };

    // The order of the code column: ASCII letters without regard to case, like SQLite's NOCASE.
    private static readonly Comparer<BookAccount> ByCode = Comparer<BookAccount>.Create(
        (a, b) => StringComparer.OrdinalIgnoreCase.Compare(a.Code, b.Code)
    );

    internal static BookAccount[] Sorted(BookAccount[] accounts)
    {
        Array.Sort(accounts, ByCode);
        return accounts;
    }
}
