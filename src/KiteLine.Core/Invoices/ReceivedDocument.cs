namespace KiteLine.Core;

/// <summary>
/// An invoice or credit note that another system wrote, as it goes into the books: its totals stand as they are stated.
/// </summary>
/// <param name="Payable">What of it is open when it comes in: what is prepaid, and rounding, are taken off.</param>
/// <param name="Instalments">When it is due, on stated days; empty where terms decide.</param>
/// <param name="Terms">What holds for it.</param>
public sealed record ReceivedDocument(
    ItemKind Kind,
    string Number,
    DateOnly Date,
    DocumentContent Content,
    Money Payable,
    IReadOnlyList<ScheduledInstalment> Instalments,
    Terms Terms,
    string Reference
)
{
    // As many decimals as a unit price may have.
    private const int PriceDecimals = 12;

    /// <summary>What a document states, in its currency and under its terms.</summary>
    /// <exception cref="RefusedException">An amount has more decimals than the currency, or the instalments do not add
    /// up.</exception>
    public static ReceivedDocument Of(StatedDocument d, Currency currency, ReceivedTerms terms)
    {
        ArgumentNullException.ThrowIfNull(d);
        ArgumentNullException.ThrowIfNull(currency);
        ArgumentNullException.ThrowIfNull(terms);
        Money Exact(decimal amount) =>
            currency.Fits(amount)
                ? Money.Exact(amount, currency)
                : throw new RefusedException(
                    "amount",
                    $"{Core.Exactly.Plain(amount)} has more decimals than {currency.Code} has."
                );
        var gross = Exact(d.Totals.Gross);
        return new(
            d.Kind,
            d.Number,
            d.Date,
            new(
                new(Exact(d.Totals.Net), Exact(d.Totals.Tax), Money.Zero(currency)),
                [
                    .. d.Lines.Select(l => new DocumentLine(
                        l.Text,
                        l.Quantity,
                        decimal.Round(l.UnitPrice, PriceDecimals),
                        Exact(l.Net),
                        l.Category
                    )),
                ],
                [
                    .. d.Taxes.Select(t => new DocumentTax(
                        t.Category,
                        t.Scheme,
                        t.Percent,
                        Exact(t.Taxed),
                        Exact(t.Amount)
                    )),
                ]
            ),
            Exact(d.Totals.Payable),
            terms.Instalments(gross),
            terms.Terms,
            d.Reference
        );
    }

    /// <summary>When it falls due; of several instalments the last.</summary>
    public DateOnly DueUnder(BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        return Instalments.Count > 0
            ? Instalments.Max(i => i.Due)
            : PaymentSchedule
                .For(Terms, Content.Amounts, Date, rules.Calendar, rules.Rounding)
                .Instalments.Max(i => i.Due);
    }

    /// <summary>Refuses what cannot go into the books.</summary>
    /// <exception cref="RefusedException">Names the field that is wrong.</exception>
    public void RefuseUnlessSound(BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        if (Date > rules.Today)
            throw new RefusedException(
                "date",
                $"It is dated {Exactly.Day(Date)}, after the business date, {Exactly.Day(rules.Today)}."
            );
        rules.RefuseClosed(Date, "date");
        if (Content.Amounts.Gross.Minor <= 0)
            throw new RefusedException("gross", "Its total with tax must be above zero.");
        if (Content.Amounts.Net.Minor < 0 || Content.Amounts.Tax.Minor < 0)
            throw new RefusedException("gross", "Neither its total without tax nor its tax is below zero.");
        if (Payable.Minor < 0)
            throw new RefusedException("open", "More is prepaid than it comes to.");
    }

    /// <summary>The posting of an invoice. What is prepaid was received before it came into these books.</summary>
    public Posting Invoice(BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        var posting = InvoicePosting.Invoice(Number, Date, Content, Terms, rules, Reference);
        var document = posting.Documents[0];
        var items = Instalments.Count > 0 ? OnStatedDays() : document.Items;
        return With(posting, TakenOff(items, Content.Amounts.Gross - Payable));
    }

    /// <summary>The posting of a credit note, as one item from its date on.</summary>
    public Posting CreditNote(BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        var posting = InvoicePosting.CreditNote(Number, Date, Content, rules.Today, Reference);
        return With(posting, [new(1, Date, [new Movement(MovementKind.Opened, Date, -Payable)])]);
    }

    private Posting With(Posting posting, IReadOnlyList<NewItem> items)
    {
        var sign = Kind == ItemKind.CreditNote ? -1 : 1;
        var off = Content.Amounts.Gross - Payable;
        var opened = items.Aggregate(Money.Zero(off.Currency), (sum, i) => sum + i.Movements[0].Amount);
        return (
            posting with
            {
                Documents =
                [
                    posting.Documents[0] with
                    {
                        Items = [.. items.Where(i => !i.Movements[0].Amount.IsZero)],
                    },
                ],
                Lines = Posting.Journal(
                    (PostingPurpose.Receivables, opened),
                    (PostingPurpose.OpeningBalances, sign < 0 ? -off : off),
                    (PostingPurpose.Sales, sign < 0 ? Content.Amounts.Net : -Content.Amounts.Net),
                    (PostingPurpose.OutputTax, sign < 0 ? Content.Amounts.Tax : -Content.Amounts.Tax)
                ),
            }
        ).Checked();
    }

    private List<NewItem> OnStatedDays() =>
        [
            .. Instalments.Select(
                (line, i) => new NewItem(i + 1, line.Due, [new Movement(MovementKind.Opened, Date, line.Amount)])
            ),
        ];

    // What was paid before is taken off what is due first; what rounding adds is due last.
    private static List<NewItem> TakenOff(IReadOnlyList<NewItem> items, Money off)
    {
        var left = items.ToList();
        for (var i = 0; i < left.Count && off.Minor > 0; i++)
        {
            var taken = Money.Min(off, left[i].Movements[0].Amount);
            left[i] = Less(left[i], taken);
            off -= taken;
        }

        if (off.Minor < 0)
            left[^1] = Less(left[^1], off);
        return left;
    }

    private static NewItem Less(NewItem item, Money taken) =>
        item with
        {
            Movements = [item.Movements[0] with { Amount = item.Movements[0].Amount - taken }],
        };
}
