namespace KiteLine.Core;

/// <summary>What an ageing adds up accounts by; accounts with the same value stand on one line for each currency.</summary>
/// <param name="Field">Key of the company's own field; empty for all other kinds.</param>
public sealed record AgeingKey(AgeingKind Kind, string Field = "")
{
    /// <summary>The value that an account had on a day, as far as that is known, else the present one; empty for none.</summary>
    public string Of(BookAccount account, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(account);
        return Kind switch
        {
            AgeingKind.Account => account.Code,
            AgeingKind.Group => account.GroupOn(day),
            AgeingKind.Owner => account.Owner,
            AgeingKind.ControlGroup => account.ControlGroup,
            AgeingKind.CustomerType => account.CustomerType,
            AgeingKind.Terms => account.TermsCode,
            AgeingKind.Currency => account.Currency.Code,
            AgeingKind.Field => account.Fields.GetValueOrDefault(Field, ""),
            _ => throw new ArgumentOutOfRangeException(nameof(account), Kind, null),
        };
    }

    /// <summary>Whether an account has this value, whatever its case.</summary>
    public bool Is(BookAccount account, string value, DateOnly day) =>
        string.Equals(Of(account, day), value, StringComparison.OrdinalIgnoreCase);
}
