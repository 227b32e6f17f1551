using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Prints charge documents as PDF on A4.</summary>
public static class ChargePdf
{
    /// <summary>The document. Items that do not fit on a page go on on the next, with what they come to so far.</summary>
    public static byte[] Render(PrintedCharge charge)
    {
        ArgumentNullException.ThrowIfNull(charge);
        return Pdf.Of(
            $"{charge.Label} {charge.Number}",
            charge.From.Name,
            sheet => new ChargePage(sheet, charge).Print()
        );
    }
}
