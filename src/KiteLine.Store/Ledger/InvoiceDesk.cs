using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>An invoice as a controller enters it, or makes it of an order.</summary>
/// <param name="Number">Null for the next of the series.</param>
/// <param name="Terms">Code or shorthand; null for the account's.</param>
/// <param name="OrderId">The order it is made of, or null.</param>
/// <param name="Reason">Why it may go on when a finding asks for one.</param>
public sealed record InvoiceRequest(string? Number, DateOnly Date, InvoiceAmounts Amounts, string? Terms, string Reference, long? OrderId, int? OrderSeq, string Reason = "");

/// <summary>What became of an invoice: the check it passed, null where its order had been checked before.</summary>
public sealed record InvoiceOutcome(CreditCheck? Check, SalesOrder? Order);

/// <summary>Posts invoices.</summary>
public static class InvoiceDesk
{
    /// <summary>Posts an invoice. One made of an order takes the place of the order in the exposure; one without is checked like an order.</summary>
    /// <exception cref="RefusedException">A field is wrong, more is invoiced than the order is approved for, or the check refuses it.</exception>
    public static Effect<InvoiceOutcome> Post(Tx tx, Account account, InvoiceRequest request, RequestKey? key = null)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(request);
        var settings = CompanyStore.Settings(tx.Connection);
        var today = tx.BusinessDate();
        if (request.Date > today) throw new RefusedException("date", $"The invoice is dated on the business date, {Exactly.Day(today)}, or before.");
        if (settings.ClosedThrough is { } closed && request.Date <= closed) throw new RefusedException("date", $"The books are closed through {Exactly.Day(closed)}; choose a later date.");
        if (request.Amounts.Gross.Minor <= 0) throw new RefusedException("net", "Give the amount, above zero.");
        var order = request.OrderId is { } id ? OrderStore.Get(tx.Connection, id) : null;
        if (order is not null && order.Account.Id != account.Id) throw new RefusedException("order", "This order is another account's.");
        if (order is not null && request.OrderSeq is { } seq && order.Last.Seq != seq) throw new ChangedMeanwhileException($"The order {order.Number}");
        var check = order is null ? CheckDesk.Check(tx.Connection, account, request.Amounts.Gross, today) : null;
        if (check?.Answer == CheckResponse.Refuse) throw new RefusedException("net", $"The check refuses it: {string.Join("; ", check.Findings.Where(f => f.Response == CheckResponse.Refuse).Select(f => f.Text))}. Enter an order first, so that it can be released.");
        if (check?.Answer == CheckResponse.Ask && string.IsNullOrWhiteSpace(request.Reason)) throw new RefusedException("reason", $"Give the reason why it goes on: {string.Join("; ", check.Findings.Where(f => f.Response == CheckResponse.Ask).Select(f => f.Text))}.");

        var terms = PolicyStore.TermsByText(tx, request.Terms ?? account.Terms);
        var calendar = CalendarInForce.Of(tx.Connection, settings);
        return Effect.Around(tx, account, today, () =>
        {
            var posting = InvoicePosting.Invoice(request.Number, request.Date, request.Amounts, terms.Definition.ToTerms(), today, request.Reference.Trim(), calendar.Calendar, settings.Rounding);
            if (order is not null) posting = posting with { Documents = [.. posting.Documents.Select(d => d with { OrderId = order.Id })], Text = $"Invoice of order {order.Number}" };
            if (request.Reason.Trim() is { Length: > 0 } reason) posting = posting with { Text = $"{posting.Text}; {reason}" };
            var posted = PostingStore.Post(tx, account, posting, terms.Id, key, calendarId: calendar.Id);
            if (order is not null) OrderDesk.Invoiced(tx, order, request.Amounts.Gross, posted.EntryId);
            return (posted, posting.Lines, new InvoiceOutcome(check, order is null ? null : OrderStore.Get(tx.Connection, order.Id)));
        });
    }
}
