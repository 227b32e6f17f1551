namespace KiteLine.Core;

/// <summary>What can be written down in an account's log.</summary>
public static class ContactRule
{
    /// <summary>The longest text.</summary>
    public const int LongestText = 4000;

    /// <exception cref="RefusedException">No text, one that is too long, or a day to come.</exception>
    public static void RefuseUnlessSound(DateOnly on, string contact, string text, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(contact);
        if (string.IsNullOrWhiteSpace(text) || text.Length > LongestText)
            throw new RefusedException("text", $"Say what it was about, in up to {LongestText} characters.");
        if (contact.Length > 100)
            throw new RefusedException("contact", "A name has up to 100 characters.");
        if (on > today)
            throw new RefusedException("on", $"Give the business date, {Exactly.Day(today)}, or an earlier day.");
    }
}
