using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Writes an invoice or a credit note down.</summary>
internal sealed class InvoicePage(Sheet sheet, PrintedDocument document)
{
    private const float Line = 17,
        TextWidth = 250;

    // What was supplied, quantity, unit price, net.
    private static readonly Sheet.Column[] Columns =
    [
        new(Sheet.Left),
        new(370, Figure: true),
        new(450, Figure: true),
        new(Sheet.Right, Figure: true),
    ];

    private static readonly Sheet.Column[] Sums = [new(Sheet.Left), new(Sheet.Right, Figure: true)];

    internal void Print()
    {
        var amounts = document.Content.Amounts;
        sheet.Begin();
        sheet.Head(
            document.From,
            document.To,
            $"{Exactly.Day(document.Date)}  ·  Account {document.To.AccountCode}"
                + (document.Reference.Length > 0 ? $"  ·  Your reference {document.Reference}" : "")
        );
        sheet.Text(
            $"{InvoicePdf.Name(document.Kind)} {document.Number}"
                + (document.Credits.Length > 0 ? $" for invoice {document.Credits}" : ""),
            13,
            SheetFonts.Semibold
        );
        sheet.Space(6);
        if (document.Content.Lines.Count > 0)
            Lines(amounts.Net.Currency);
        Sum("Net", amounts.Net);
        foreach (var tax in document.Content.Taxes)
            Sum($"{tax.Authority} {Exactly.Plain(tax.Percent)} % of {Pdf.Figure(tax.Taxed)}", tax.Tax);
        if (document.Content.Taxes.Count == 0 && !amounts.Tax.IsZero)
            Sum("Tax", amounts.Tax);
        sheet.Row(
            11,
            SheetFonts.Semibold,
            Sums,
            document.Kind == ItemKind.CreditNote ? "Credited to your account" : "Total",
            $"{amounts.Gross.Currency.Code} {Pdf.Figure(amounts.Gross)}"
        );
        sheet.Space(12);
        var foot = sheet.FootHeight(document.From.Foot);
        string[] texts =
        [
            .. new[]
            {
                document.ExemptionText,
                document.AmendedText,
                document.TermsText,
                document.LateChargeText,
            }.Where(t => t.Length > 0),
            .. document.PaymentReference.Length > 0
                ? [$"Please pay with the reference {Pdf.Spaced(document.PaymentReference)}."]
                : Array.Empty<string>(),
        ];
        // The foot is always printed, and never on a page by itself: the line before it stays with it.
        if (texts.Length == 0)
            sheet.Room(Line + foot);
        for (var i = 0; i < texts.Length; i++)
            sheet.Paragraphs(texts[i], i == texts.Length - 1 ? foot : 0);
        sheet.Foot(document.From.Foot);
        sheet.End();
    }

    private void Lines(Currency currency)
    {
        Heading();
        var soFar = Money.Zero(currency);
        foreach (var line in document.Content.Lines)
        {
            var text = sheet.InColumn(line.Text, 10, SheetFonts.Regular, TextWidth);
            // A line and the sum that is carried on stay on the page.
            if (!sheet.HasRoom((text.Count + 1) * Line))
            {
                Carried("Carried forward", soFar);
                sheet.Room(float.MaxValue);
                Heading();
                Carried("Brought forward", soFar);
            }

            sheet.Row(
                10,
                SheetFonts.Regular,
                Columns,
                text[0],
                Exactly.Plain(line.Quantity),
                Exactly.Price(line.UnitPrice, line.Net.Currency.Decimals),
                Pdf.Figure(line.Net)
            );
            foreach (var more in text.Skip(1))
                sheet.Row(10, SheetFonts.Regular, Columns, more);
            soFar += line.Net;
        }

        sheet.Rule();
    }

    private void Heading()
    {
        sheet.Row(9, SheetFonts.Semibold, Columns, "Supplied", "Quantity", "Unit price", "Net");
        sheet.Rule();
    }

    private void Carried(string name, Money amount) =>
        sheet.Row(10, SheetFonts.Semibold, Sums, name, Pdf.Figure(amount));

    private void Sum(string name, Money amount) => sheet.Row(10, SheetFonts.Regular, Sums, name, Pdf.Figure(amount));
}
