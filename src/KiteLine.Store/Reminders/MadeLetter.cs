namespace KiteLine.Store;

/// <summary>The letter of a reminder that was made before the reminder was issued.</summary>
/// <param name="Changes">How many commits the books had when it was made.</param>
/// <param name="Number">The number it bears.</param>
public sealed record MadeLetter(long Changes, DateOnly Date, string Number, byte[] Pdf)
{
    /// <summary>Whether nothing was committed since, so that it says what is issued.</summary>
    internal bool HoldsFor(long changes, DateOnly date, string number) =>
        (changes, date, number) == (Changes, Date, Number);
}
