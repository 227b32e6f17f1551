namespace KiteLine.Core;

/// <summary>
/// The terms or the discount of a posted invoice changed, from a day on: number, lines and amounts stay, due dates and
/// discounts are new. No money moves, so that its journal is empty.
/// </summary>
/// <param name="Terms">What holds for the invoice from then on.</param>
/// <param name="Schedule">Due dates, deadlines and payable amounts under them.</param>
/// <param name="Dues">The items whose due date changes.</param>
public sealed record InvoiceAmendment(
    Posting Posting,
    DateOnly Date,
    Terms Terms,
    PaymentSchedule Schedule,
    IReadOnlyList<DueChange> Dues
)
{
    /// <summary>Decides on an amendment.</summary>
    /// <param name="terms">The new terms, with the one-off discount in them.</param>
    /// <param name="usual">The customer's own; what the new terms give beyond these and beyond those that the invoice has is
    /// measured by the authority for discounts.</param>
    /// <exception cref="RefusedException">Names the field that is wrong: <c>document</c> where it was reversed or nothing of
    /// it is open, <c>date</c>, <c>terms</c> where they make other instalments or change nothing or lie above the authority,
    /// <c>reason</c>.</exception>
    public static InvoiceAmendment Of(
        PostedInvoice invoice,
        AmendmentRequest request,
        Terms terms,
        Terms usual,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(invoice);
        ArgumentNullException.ThrowIfNull(request);
        ArgumentNullException.ThrowIfNull(terms);
        ArgumentNullException.ThrowIfNull(rules);
        var field = request.OneOff is null ? "terms" : "discount";
        Reason.Needed(request.Reason);
        if (invoice.Reversed)
            throw new RefusedException(
                "document",
                $"{invoice.Number} was reversed; amend the invoice that replaced it."
            );
        if (invoice.Items.All(i => i.Left.IsZero))
            throw new RefusedException(
                "document",
                $"Nothing of {invoice.Number} is open. A discount that was missed is granted from what settled it."
            );
        RefuseDate(invoice, request.Date, rules);
        var schedule = Scheduled(invoice, terms, rules);
        var dues = invoice
            .Items.Select(i => new DueChange(i.Item, i.Due, schedule.Instalments[i.Instalment - 1].Due))
            .Where(d => d.Former != d.Due)
            .ToArray();
        if (dues.Length == 0 && invoice.Terms is { } now && SameOffer(now, terms, invoice, schedule, rules))
            throw new RefusedException(
                field,
                $"{invoice.Number} has these dates and discounts already; give other terms or another discount."
            );
        BetterTerms.RefuseBeyond(
            terms,
            invoice.Terms is { } present ? [usual, present] : [usual],
            invoice.Amounts,
            invoice.Date,
            field,
            authority,
            rules
        );
        return new(
            new Posting
            {
                Kind = PostingKind.Amendment,
                PostingDate = rules.Today,
                Text = $"Terms of {invoice.Number}: {terms}; {request.Reason.Trim()}",
                Lines = [],
            }.Checked(),
            request.Date,
            terms,
            schedule,
            dues
        );
    }

    /// <summary>The account as the amendment leaves it, for showing its effect.</summary>
    public BookAccount On(BookAccount book) => DueChange.On(book, Dues);

    private static void RefuseDate(PostedInvoice invoice, DateOnly date, BooksRules rules)
    {
        if (date > rules.Today)
            throw new RefusedException(
                "date",
                $"The amendment holds from the business date, {Exactly.Day(rules.Today)}, or from a day before it."
            );
        if (date < invoice.Date)
            throw new RefusedException("date", $"Give {Exactly.Day(invoice.Date)}, the invoice date, or a later day.");
        if (date < invoice.AmendedOn)
            throw new RefusedException(
                "date",
                $"The invoice was amended from {Exactly.Day(invoice.AmendedOn.Value)} on; give that day or a later one."
            );
    }

    // The items stay as they are, so that the new terms must part the invoice as the old ones did.
    private static PaymentSchedule Scheduled(PostedInvoice invoice, Terms terms, BooksRules rules)
    {
        PaymentSchedule schedule;
        try
        {
            schedule = PaymentSchedule.For(terms, invoice.Amounts, invoice.Date, invoice.Calendar, rules.Rounding);
        }
        catch (TermsException e)
        {
            throw new RefusedException("terms", e.Message);
        }

        var (made, asked) = (invoice.Items.Max(i => i.Instalment), schedule.Instalments.Count);
        var same = invoice.FromOpening
            ? made <= asked && (made > 1 || asked == 1)
            : invoice.Items.All(i => i.Instalment <= asked && schedule.Instalments[i.Instalment - 1].Amount == i.Opened)
                && schedule.Instalments.Where(i => !i.Amount.IsZero).Count() == invoice.Items.Count;
        return same
            ? schedule
            : throw new RefusedException(
                "terms",
                $"{invoice.Number} was posted with {Count(invoice.Items.Count)}, and these terms part it otherwise. "
                    + "Reverse it and write it again instead."
            );
    }

    private static string Count(int instalments) => instalments == 1 ? "one due date" : $"{instalments} instalments";

    private static bool SameOffer(
        Terms now,
        Terms then,
        PostedInvoice invoice,
        PaymentSchedule schedule,
        BooksRules rules
    ) =>
        now.Conditions == then.Conditions
        && PaymentSchedule
            .For(now, invoice.Amounts, invoice.Date, invoice.Calendar, rules.Rounding)
            .Discounts.Select(d => (d.Deadline, d.Amount))
            .SequenceEqual(schedule.Discounts.Select(d => (d.Deadline, d.Amount)));
}
