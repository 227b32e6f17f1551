namespace KiteLine.Core;

/// <summary>Conditions of the board beyond the quick filters; all that are given must hold.</summary>
public sealed record BoardConditions
{
    /// <summary>Accounts of this owner; null for all.</summary>
    public string? Owner { get; init; }

    /// <summary>The accounts of a group and of the groups in it, by identifier.</summary>
    public IReadOnlySet<long>? Members { get; init; }

    /// <summary>Accounts in one of these states; null for all.</summary>
    public IReadOnlySet<AccountState>? States { get; init; }

    /// <summary>In percent of the effective limit, both ends included.</summary>
    public decimal? UtilisationFrom { get; init; }

    /// <summary>Exposure as a percentage of the effective limit, at most; null for no bound.</summary>
    public decimal? UtilisationTo { get; init; }

    /// <summary>The least overdue amount, in major units of each account's own currency.</summary>
    public decimal? OverdueFrom { get; init; }

    /// <summary>The least days by which the oldest open debit is past due.</summary>
    public int? AgeFrom { get; init; }

    /// <summary>The limit is to be looked at again by this day.</summary>
    public DateOnly? ReviewBy { get; init; }

    /// <summary>How the latest promise stands.</summary>
    public PromiseState? Promise { get; init; }

    /// <summary>A field of the company's own and the value it has.</summary>
    public (string Key, string Value)? Field { get; init; }

    /// <summary>Whether a position meets all conditions.</summary>
    public bool Holds(AccountPosition position)
    {
        ArgumentNullException.ThrowIfNull(position);
        var (p, account) = (position, position.Account);
        return (Owner is null || account.Owner.Equals(Owner, StringComparison.OrdinalIgnoreCase))
            && (Members is null || Members.Contains(account.Id))
            && (States is null || States.Contains(p.State))
            && !(p.Utilisation * 100 < UtilisationFrom)
            && !(p.Utilisation * 100 > UtilisationTo)
            && !((decimal)p.Overdue / account.Currency.MinorPerMajor < OverdueFrom)
            && !(p.OldestDays < AgeFrom)
            && (ReviewBy is null || p.Limit?.ReviewOn <= ReviewBy)
            && (Promise is null || p.Promises.All.Any(s => s.State == Promise))
            && (
                Field is not { } f
                || account.Fields.GetValueOrDefault(f.Key, "").Equals(f.Value, StringComparison.OrdinalIgnoreCase)
            );
    }
}
