using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Prints receipts as PDF on A4: what was paid, what it settled, and what remains.</summary>
public static class ReceiptPdf
{
    private const float Row = 17;

    // Document, with the tie bar between; paid, discount, written off, still open.
    private static readonly Sheet.Column[] Columns =
    [
        new(Sheet.Left),
        new(310, Figure: true),
        new(380, Figure: true),
        new(455, Figure: true),
        new(Sheet.Right, Figure: true),
    ];

    private static readonly Sheet.Column[] Sums = [new(Sheet.Left), new(Sheet.Right, Figure: true)];

    /// <summary>The receipt.</summary>
    public static byte[] Render(PrintedReceipt receipt)
    {
        ArgumentNullException.ThrowIfNull(receipt);
        return Pdf.Of($"Receipt {receipt.Number}", receipt.From.Name, sheet => Print(sheet, receipt));
    }

    private static void Print(Sheet sheet, PrintedReceipt receipt)
    {
        var currency = receipt.Received.Currency;
        sheet.Begin();
        sheet.Head(receipt.From, receipt.To, $"{Exactly.Day(receipt.Date)}  ·  Account {receipt.To.AccountCode}");
        sheet.Text($"Receipt {receipt.Number}", 13, SheetFonts.Semibold);
        if (receipt.Reversed)
            sheet.Text("This receipt was taken back; nothing of it counts as paid.", 10.5f, SheetFonts.Semibold);
        sheet.Space(6);
        sheet.Row(
            11,
            SheetFonts.Semibold,
            Sums,
            "Received" + (receipt.Method.Length > 0 ? $" by {receipt.Method.ToLowerInvariant()}" : ""),
            $"{currency.Code} {Pdf.Figure(receipt.Received)}"
        );
        if (receipt.Reference.Length > 0)
            sheet.Text($"Your reference: {receipt.Reference}", 10, SheetFonts.Regular);
        sheet.Space(12);
        if (receipt.Lines.Count > 0)
            Heading(sheet);
        foreach (var line in receipt.Lines)
        {
            if (sheet.Room(Row * 2))
                Heading(sheet);
            sheet.Bar(130, 245, line.Cash.Minor, line.Discount.Minor, line.WriteOff.Minor, line.StaysOpen.Minor);
            sheet.Row(
                10,
                SheetFonts.Regular,
                Columns,
                line.Document,
                Pdf.Figure(line.Cash),
                Part(line.Discount),
                Part(line.WriteOff),
                Part(line.StaysOpen)
            );
        }

        sheet.Rule();
        var open = receipt
            .Lines.DistinctBy(l => l.Document)
            .Aggregate(Money.Zero(currency), (all, l) => all + l.StaysOpen);
        if (!receipt.Moved.IsZero)
            sheet.Row(10, SheetFonts.Regular, Sums, "Moved to another account", Pdf.Figure(receipt.Moved));
        if (!receipt.OnAccount.IsZero)
            sheet.Row(10, SheetFonts.Regular, Sums, "Kept on your account", Pdf.Figure(receipt.OnAccount));
        sheet.Row(
            11,
            SheetFonts.Semibold,
            Sums,
            "Still to be paid of these documents",
            $"{currency.Code} {Pdf.Figure(open)}"
        );
        sheet.Text($"As your account stands on {Exactly.Day(receipt.AsOf)}.", 9, SheetFonts.Regular);
        sheet.Foot(receipt.From.Foot);
        sheet.End();
    }

    private static void Heading(Sheet sheet)
    {
        sheet.Row(9, SheetFonts.Semibold, Columns, "Document", "Paid", "Discount", "Written off", "Still open");
        sheet.Rule();
    }

    private static string Part(Money amount) => amount.IsZero ? "–" : Pdf.Figure(amount);
}
