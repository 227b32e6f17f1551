using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Prints invoices and credit notes as PDF on A4.</summary>
public static class InvoicePdf
{
    /// <summary>The document. Lines that do not fit on a page go on on the next, with what they come to so far.</summary>
    public static byte[] Render(PrintedDocument document)
    {
        ArgumentNullException.ThrowIfNull(document);
        return Pdf.Of(
            $"{Name(document.Kind)} {document.Number}",
            document.From.Name,
            sheet => new InvoicePage(sheet, document).Print()
        );
    }

    /// <summary>What the document is called.</summary>
    public static string Name(ItemKind kind) => kind == ItemKind.CreditNote ? "Credit note" : "Invoice";

    /// <summary>The first page as a PNG picture twice its size in points, drawn by the same code.</summary>
    public static byte[] Picture(PrintedDocument document)
    {
        ArgumentNullException.ThrowIfNull(document);
        return Pdf.Picture(sheet => new InvoicePage(sheet, document).Print());
    }
}
