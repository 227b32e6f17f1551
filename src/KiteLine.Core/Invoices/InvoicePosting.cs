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
    )
    {
        ArgumentNullException.ThrowIfNull(amounts);
        ArgumentNullException.ThrowIfNull(rules);
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
            amounts,
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
    )
    {
        ArgumentNullException.ThrowIfNull(amounts);
        var item = new NewItem(1, date, [new Movement(MovementKind.Opened, date, -amounts.Gross)]);
        return Document(
            PostingKind.CreditNote,
            ItemKind.CreditNote,
            number,
            date,
            amounts,
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
        InvoiceAmounts amounts,
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
                    Net = amounts.Net,
                    Tax = amounts.Tax,
                    NotDiscountable = amounts.NotDiscountable,
                    Reference = reference,
                    Items = items,
                },
            ],
            Lines = lines,
        }.Checked();
}
