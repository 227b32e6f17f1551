namespace KiteLine.Core;

/// <summary>A customer is to be called again.</summary>
/// <param name="On">The day from which on it is time.</param>
/// <param name="Note">What about; may be empty.</param>
public sealed record CallAgain(DateOnly On, string Note)
{
    /// <summary>Characters of a note; it stands in lists.</summary>
    public const int LongestNote = 200;

    /// <exception cref="RefusedException">The day is not after the business date or more than a year away, or the note
    /// is too long.</exception>
    public static void RefuseUnlessSound(DateOnly on, string note, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(note);
        if (on <= today || on > today.AddYears(1))
            throw new RefusedException("callAgain", $"Choose a day after {Exactly.Day(today)}, at most a year on.");
        if (note.Trim().Length > LongestNote)
            throw new RefusedException("callAbout", $"Say it in up to {LongestNote} characters.");
    }
}
