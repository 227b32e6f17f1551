using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What has a limit: an account or a group.</summary>
/// <param name="Subject">Under which its changes stand in the audit log.</param>
public sealed record LimitHolder(long? AccountId, long? GroupId, string Name, Currency Currency, string Subject)
{
    /// <summary>An account with its limit.</summary>
    public static LimitHolder Of(Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return new(account.Id, null, account.Name, account.Currency, $"account:{account.Code}");
    }

    /// <summary>A group with its limit.</summary>
    public static LimitHolder Of(AccountGroup group)
    {
        ArgumentNullException.ThrowIfNull(group);
        return new(null, group.Id, group.Name, group.Currency, $"group:{group.Name}");
    }

    /// <summary>The condition that picks its rows; both identifiers are parameters.</summary>
    internal string Mine => AccountId is null ? "group_id = @GroupId" : "account_id = @AccountId";
}
