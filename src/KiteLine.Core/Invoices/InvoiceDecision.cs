namespace KiteLine.Core;

/// <summary>Whether an invoice can be posted.</summary>
public static class InvoiceDecision
{
    /// <summary>Refuses a date or an amount that cannot be.</summary>
    /// <exception cref="RefusedException">Names the field that is wrong.</exception>
    public static void RefuseUnlessSound(InvoiceRequest request, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(request);
        ArgumentNullException.ThrowIfNull(rules);
        if (request.Date > rules.Today)
            throw new RefusedException(
                "date",
                $"The invoice is dated on the business date, {Exactly.Day(rules.Today)}, or before."
            );
        rules.RefuseClosed(request.Date, "date");
        if (request.Lines.Count == 0 && request.Amounts is not { Gross.Minor: > 0 })
            throw new RefusedException("net", "Give the amount, above zero.");
    }

    /// <summary>Refuses to replace what is no invoice of the account.</summary>
    /// <exception cref="RefusedException">Names the field <c>replaces</c>.</exception>
    public static void RefuseUnlessInvoice(bool ofAccount, PostingKind kind)
    {
        if (!ofAccount || kind != PostingKind.Invoice)
            throw new RefusedException("replaces", "Give the posting of an invoice of this account.");
    }

    /// <summary>Refuses lines that add up to nothing, and more without discount than there is.</summary>
    /// <exception cref="RefusedException">Names the field that is wrong.</exception>
    public static void RefuseUnlessSound(DocumentContent content, DiscountBase of)
    {
        ArgumentNullException.ThrowIfNull(content);
        var (amounts, field) = (content.Amounts, content.Lines.Count == 0 ? "net" : "lines");
        if (amounts.Gross.Minor <= 0)
            throw new RefusedException(field, $"The lines add up to {amounts.Gross}; it must be above zero.");
        if (amounts.Net.Minor < 0 || amounts.Tax.Minor < 0)
            throw new RefusedException(field, "Neither the net amount nor the tax is below zero.");
        var whole = of == DiscountBase.Net ? amounts.Net : amounts.Gross;
        if (amounts.NotDiscountable.Minor < 0 || amounts.NotDiscountable > whole)
            throw new RefusedException(
                content.Lines.Count == 0 ? "notDiscountable" : "lines",
                $"What bears no discount is between zero and {whole}."
            );
    }

    /// <summary>Whether its check lets it go, with or without a reason; what was not checked goes.</summary>
    public static bool LetsGo(CreditCheck? check) => check?.Answer != CheckResponse.Refuse;

    /// <summary>Whether it goes on after a stated reason alone.</summary>
    public static bool NeedsReason(CreditCheck? check) => check?.Answer == CheckResponse.Ask;

    /// <summary>
    /// Refuses what its check does not let go. An invoice that was made of an order was checked with it.
    /// </summary>
    /// <exception cref="RefusedException">The check refuses it, or asks for a reason that is not given.</exception>
    /// <param name="field">What bears the amount that was checked.</param>
    public static void RefuseByCheck(CreditCheck? check, string reason, string field = "net")
    {
        string Found(CheckResponse response) =>
            string.Join("; ", check!.Findings.Where(f => f.Response == response).Select(f => f.Text));
        if (!LetsGo(check))
            throw new RefusedException(
                field,
                $"The check refuses it: {Found(CheckResponse.Refuse)}. Enter an order first, so that it can be released."
            );
        if (NeedsReason(check) && string.IsNullOrWhiteSpace(reason))
            throw new RefusedException("reason", $"Give the reason why it goes on: {Found(CheckResponse.Ask)}.");
    }

    /// <summary>The posting, with what it says of its order and of the reason it went on.</summary>
    public static Posting Posting(
        InvoiceRequest request,
        DocumentContent content,
        Terms terms,
        string? orderNumber,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(request);
        var posting = InvoicePosting.Invoice(
            request.Number,
            request.Date,
            content,
            terms,
            rules,
            request.Reference.Trim()
        );
        if (request.OrderId is { } order)
            posting = posting with
            {
                Documents = [.. posting.Documents.Select(d => d with { OrderId = order })],
                Text = $"Invoice of order {orderNumber}",
            };
        return request.Reason.Trim() is { Length: > 0 } reason
            ? posting with
            {
                Text = $"{posting.Text}; {reason}",
            }
            : posting;
    }
}
