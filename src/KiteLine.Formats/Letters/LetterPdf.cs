using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Prints reminder letters as PDF on A4.</summary>
public static class LetterPdf
{
    /// <summary>The letter. Items that do not fit on a page go on on the next, under the same heading.</summary>
    public static byte[] Render(ReminderLetter letter)
    {
        ArgumentNullException.ThrowIfNull(letter);
        return Pdf.Of($"Reminder {letter.Number}", letter.From.Name, sheet => new LetterPage(sheet, letter).Print());
    }

    /// <summary>The first page as a PNG picture twice its size in points, drawn by the same code.</summary>
    public static byte[] Picture(ReminderLetter letter)
    {
        ArgumentNullException.ThrowIfNull(letter);
        return Pdf.Picture(sheet => new LetterPage(sheet, letter).Print());
    }

    /// <summary>An amount as letters print it, with groups of three.</summary>
    public static string Figure(Money amount) => Pdf.Figure(amount);
}
