namespace KiteLine.Core;

/// <summary>Where messages to a customer go.</summary>
public static class Recipients
{
    /// <summary>The addresses for a purpose.</summary>
    /// <param name="email">The account's own addresses, for invoices and whatever has none of its own.</param>
    public static IReadOnlyList<string> For(MessagePurpose purpose, string email, CustomerProfile profile)
    {
        ArgumentNullException.ThrowIfNull(profile);
        var own = purpose switch
        {
            MessagePurpose.Reminder => profile.EmailReminders,
            MessagePurpose.Receipt or MessagePurpose.Statement => profile.EmailStatements,
            MessagePurpose.Invoice or MessagePurpose.CreditNote or MessagePurpose.LateCharge => "",
            _ => throw new ArgumentOutOfRangeException(nameof(purpose), purpose, null),
        };
        return EmailAddresses.Of(own.Length > 0 ? own : email);
    }
}
