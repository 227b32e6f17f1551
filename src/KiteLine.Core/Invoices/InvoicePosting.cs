namespace KiteLine.Core;

/// <summary>Postings of invoices and credit notes.</summary>
public static class InvoicePosting
{
    /// <summary>
    /// An invoice, with one item for each instalment that its terms give. An instalment that rounding leaves at
    /// nothing, such as the half of 0.01, makes no item; the others keep their numbers.
    /// </summary>
    public static Posting Invoice(
        string? number,
        DateOnly date,
        InvoiceAmounts amounts,
        Terms terms,
        BooksRules rules,
        string reference = ""
    ) => Invoice(number, date, DocumentContent.Of(amounts), terms, rules, reference);

    /// <summary>As above, with the lines of the invoice.</summary>
    public static Posting Invoice(
        string? number,
        DateOnly date,
        DocumentContent content,
        Terms terms,
        BooksRules rules,
        string reference = ""
    )
    {
        ArgumentNullException.ThrowIfNull(content);
        ArgumentNullException.ThrowIfNull(rules);
        var amounts = content.Amounts;
        var schedule = PaymentSchedule.For(terms, amounts, date, rules.Calendar, rules.Rounding);
        var items = schedule
            .Instalments.Select(
                (line, i) => new NewItem(i + 1, line.Due, [new Movement(MovementKind.Opened, date, line.Amount)])
            )
            .Where(i => !i.Movements[0].Amount.IsZero)
            .ToArray();
        return Document(
            PostingKind.Invoice,
            ItemKind.Invoice,
            number,
            date,
            content,
            items,
            rules.Today,
            reference,
            Posting.Journal(
                (PostingPurpose.Receivables, amounts.Gross),
                (PostingPurpose.Sales, -amounts.Net),
                (PostingPurpose.OutputTax, -amounts.Tax)
            )
        );
    }

    /// <summary>A credit note; amounts are given positive. It can be used from its date on.</summary>
    public static Posting CreditNote(
        string? number,
        DateOnly date,
        InvoiceAmounts amounts,
        DateOnly postingDate,
        string reference = ""
    ) => CreditNote(number, date, DocumentContent.Of(amounts), postingDate, reference);

    /// <summary>As above, with the lines of the credit note.</summary>
    public static Posting CreditNote(
        string? number,
        DateOnly date,
        DocumentContent content,
        DateOnly postingDate,
        string reference = ""
    )
    {
        ArgumentNullException.ThrowIfNull(content);
        var amounts = content.Amounts;
        var item = new NewItem(1, date, [new Movement(MovementKind.Opened, date, -amounts.Gross)]);
        return Document(
            PostingKind.CreditNote,
            ItemKind.CreditNote,
            number,
            date,
            content,
            [item],
            postingDate,
            reference,
            Posting.Journal(
                (PostingPurpose.Sales, amounts.Net),
                (PostingPurpose.OutputTax, amounts.Tax),
                (PostingPurpose.Receivables, -amounts.Gross)
            )
        );
    }

    private static Posting Document(
        PostingKind kind,
        ItemKind item,
        string? number,
        DateOnly date,
        DocumentContent content,
        IReadOnlyList<NewItem> items,
        DateOnly postingDate,
        string reference,
        IReadOnlyList<JournalLine> lines
    ) =>
        new Posting
        {
            Kind = kind,
            PostingDate = postingDate,
            Text = item == ItemKind.Invoice ? "Invoice" : "Credit note",
            Documents =
            [
                new()
                {
                    Kind = item,
                    Number = number,
                    Date = date,
                    Net = content.Amounts.Net,
                    Tax = content.Amounts.Tax,
                    NotDiscountable = content.Amounts.NotDiscountable,
                    Lines = content.Lines,
                    Taxes = content.Taxes,
                    Reference = reference,
                    Items = items,
                },
            ],
            Lines = lines,
        }.Checked();
}
