namespace KiteLine.Core;

/// <summary>Whether a credit note can be posted, and what it is set against.</summary>
/// <param name="Content">What it is of.</param>
/// <param name="Settled">What of it each item takes, oldest due first.</param>
/// <param name="OnAccount">What no item takes; it stays on account.</param>
public sealed record CreditNoteDecision(
    Posting Posting,
    DocumentContent Content,
    IReadOnlyList<(Item Item, Money Amount)> Settled,
    Money OnAccount
)
{
    /// <summary>
    /// Decides on a credit note. It makes a customer owe less, as a write-off does, and is measured by the authority to
    /// write off.
    /// </summary>
    /// <param name="invoice">The invoice that it names, or null.</param>
    /// <param name="lately">What was credited of the invoice, or of none, within a month.</param>
    /// <param name="open">The account's open items.</param>
    /// <exception cref="RefusedException">A field is wrong, more is credited than was invoiced, more is set against an
    /// item than is open, or it lies above the authority.</exception>
    public static CreditNoteDecision Of(
        CreditNoteRequest request,
        DocumentContent content,
        CreditedInvoice? invoice,
        Money lately,
        IReadOnlyList<Item> open,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(request);
        ArgumentNullException.ThrowIfNull(content);
        ArgumentNullException.ThrowIfNull(open);
        ArgumentNullException.ThrowIfNull(authority);
        ArgumentNullException.ThrowIfNull(rules);
        RefuseUnlessSound(request, content, rules);
        var gross = content.Amounts.Gross;
        if (invoice is not null)
            RefuseAgainst(invoice, request, gross);
        RefuseBeyond(gross, lately, Field(content), authority, rules);
        var settled = request.Settles is { } wanted
            ? Chosen(wanted, open, request.Date, gross)
            : OldestFirst(invoice?.Items ?? [], gross);
        var zero = Money.Zero(gross.Currency);
        var posting = InvoicePosting.CreditNote(
            request.Number,
            request.Date,
            content,
            rules.Today,
            request.Reference.Trim()
        );
        return new(
            posting with
            {
                Documents = [.. posting.Documents.Select(d => d with { CreditsId = invoice?.Id })],
                Text =
                    (invoice is null ? posting.Text : $"Credit note of {invoice.Number}")
                    + (request.Reason.Trim() is { Length: > 0 } reason ? $"; {reason}" : ""),
                Allocations =
                [
                    .. settled.Select(s => new NewAllocation(
                        null,
                        s.Item.Id,
                        MovementKind.SetOff,
                        request.Date,
                        s.Amount,
                        zero,
                        zero
                    )),
                ],
            },
            content,
            settled,
            settled.Aggregate(gross, (left, s) => left - s.Amount)
        );
    }

    /// <summary>
    /// Refuses a credit note above the authority to write off, whichever way it comes in; with those of the last month that
    /// name the same invoice or none, so that no sum goes through in small parts.
    /// </summary>
    /// <exception cref="RefusedException">It lies above it.</exception>
    public static void RefuseBeyond(Money gross, Money lately, string field, Authority authority, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(authority);
        if (!authority.Covers(authority.WriteOff, gross + lately, rules, field))
            throw new RefusedException(
                field,
                $"A credit note makes the customer owe less as a write-off does, and {gross}"
                    + (lately.IsZero ? "" : $", {gross + lately} with those of the last month,")
                    + " lies above your authority to write off; ask somebody with more."
            );
    }

    private static string Field(DocumentContent content) => content.Lines.Count == 0 ? "net" : "lines";

    private static void RefuseUnlessSound(CreditNoteRequest request, DocumentContent content, BooksRules rules)
    {
        if (request.Date > rules.Today)
            throw new RefusedException(
                "date",
                $"The credit note is dated on the business date, {Exactly.Day(rules.Today)}, or before."
            );
        rules.RefuseClosed(request.Date, "date");
        var amounts = content.Amounts;
        if (amounts.Gross.Minor <= 0 || amounts.Net.Minor < 0 || amounts.Tax.Minor < 0)
            throw new RefusedException(
                Field(content),
                $"Give what is credited as an amount above zero; it comes to {amounts.Gross}."
            );
    }

    private static void RefuseAgainst(CreditedInvoice invoice, CreditNoteRequest request, Money gross)
    {
        if (request.Date < invoice.Date)
            throw new RefusedException(
                "date",
                $"{invoice.Number} is dated {Exactly.Day(invoice.Date)}; its credit note is not dated before it."
            );
        if (gross > invoice.Gross - invoice.Credited)
            throw new RefusedException(
                "invoice",
                $"{invoice.Number} came to {invoice.Gross}"
                    + (invoice.Credited.IsZero ? "" : $", of which {invoice.Credited} is credited already")
                    + $"; {gross} is more than is left to credit. Name no invoice where it is for something else."
            );
    }

    /// <summary>What each item takes of an amount, in their order.</summary>
    public static IReadOnlyList<(Item Item, Money Amount)> OldestFirst(IReadOnlyList<Item> items, Money gross)
    {
        ArgumentNullException.ThrowIfNull(items);
        var settled = new List<(Item Item, Money Amount)>();
        var left = gross;
        foreach (var item in items.Where(i => i.Left.Minor > 0))
        {
            var taken = Money.Min(left, item.Left);
            if (taken.IsZero)
                break;
            settled.Add((item, taken));
            left -= taken;
        }

        return settled;
    }

    private static List<(Item Item, Money Amount)> Chosen(
        IReadOnlyDictionary<long, Money> wanted,
        IReadOnlyList<Item> open,
        DateOnly date,
        Money gross
    )
    {
        var settled = new List<(Item Item, Money Amount)>();
        foreach (var (id, taken) in wanted)
        {
            var item =
                open.FirstOrDefault(i => i.Id == id && i.Left.Minor > 0)
                ?? throw new RefusedException(
                    "settles",
                    "One of these items is closed, a credit, or none of this account; choose among its open items."
                );
            if (taken.Minor <= 0 || taken > item.Left)
                throw new RefusedException(
                    "settles",
                    $"{item.Document} has {item.Left} open; give an amount above zero and at most that."
                );
            if (item.Date > date)
                throw new RefusedException(
                    "settles",
                    $"{item.Document} is dated {Exactly.Day(item.Date)}, after the credit note; set it off later."
                );
            settled.Add((item, taken));
        }

        if (settled.Aggregate(gross, (left, s) => left - s.Amount).Minor < 0)
            throw new RefusedException("settles", $"More is set against items than the {gross} that is credited.");
        return [.. settled.OrderBy(s => s.Item.Due).ThenBy(s => s.Item.Id)];
    }
}
