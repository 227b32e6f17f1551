namespace KiteLine.Core;

/// <summary>E-mail addresses that stand in one field, parted by semicolons or commas.</summary>
public static class Recipients
{
    /// <summary>As many people as one document goes to at most.</summary>
    public const int Most = 10;

    private static readonly char[] Marks = [';', ','];

    /// <summary>What is wanted, as a sentence.</summary>
    public const string Wanted =
        "Give an e-mail address such as accounts@customer.example, or up to ten parted by semicolons.";

    /// <summary>The addresses in their order, each once; empty for none.</summary>
    public static IReadOnlyList<string> Of(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        return
        [
            .. text.Split(Marks, StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Distinct(StringComparer.OrdinalIgnoreCase),
        ];
    }

    /// <summary>Whether the field holds addresses alone, at most <see cref="Most"/>; an empty one does.</summary>
    public static bool IsSound(string text) => Of(text) is { Count: <= Most } all && all.All(CustomerCheck.IsEmail);

    /// <summary>Where a message for a purpose goes.</summary>
    /// <param name="email">The account's own addresses, for invoices and whatever has none of its own.</param>
    public static IReadOnlyList<string> For(MessagePurpose purpose, string email, CustomerProfile profile)
    {
        ArgumentNullException.ThrowIfNull(profile);
        var own = purpose switch
        {
            MessagePurpose.Reminder => profile.EmailReminders,
            MessagePurpose.Receipt => profile.EmailStatements,
            _ => "",
        };
        return Of(own.Length > 0 ? own : email);
    }
}
