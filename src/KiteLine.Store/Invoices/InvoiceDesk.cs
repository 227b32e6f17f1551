using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Posts invoices.</summary>
public static class InvoiceDesk
{
    private sealed record Decision(
        Posting Posting,
        CreditCheck? Check,
        SalesOrder? Order,
        OrderStep? Step,
        string Terms
    );

    /// <summary>What posting an invoice would do.</summary>
    /// <exception cref="RefusedException">A field is wrong, more is invoiced than the order is approved for, or the
    /// check refuses it.</exception>
    public static Effect<InvoiceOutcome> Preview(
        SqliteConnection connection,
        Account account,
        InvoiceRequest request,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(rules);
        var d = Decide(connection, account, request, rules);
        return Effects.Shown(
            connection,
            account,
            rules.Today,
            d.Posting.Lines,
            new InvoiceOutcome(d.Check, d.Order),
            book =>
                OrderDesk.With(book.After(d.Posting), d is { Order: { } order, Step: { } step } ? (order, step) : null)
        );
    }

    /// <summary>
    /// Posts an invoice and shows what that did. One made of an order takes the place of the order in the exposure; one
    /// without is checked like an order.
    /// </summary>
    public static Effect<InvoiceOutcome> Post(Tx tx, Account account, InvoiceRequest request)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        return Effects.Around(
            tx,
            account,
            () =>
            {
                var d = Decide(tx.Connection, account, request, tx.Rules());
                var terms = PolicyStore.TermsByText(tx, d.Terms);
                var posted = PostingStore.Post(
                    tx,
                    account,
                    d.Posting,
                    terms.Id,
                    calendarId: CalendarInForce.Of(tx.Connection, CompanyStore.Settings(tx.Connection)).Id
                );
                if (d is { Order: { } order, Step: { } step })
                    OrderInvoicing.Invoiced(tx, order, step, posted.EntryId);
                return (
                    posted,
                    d.Posting.Lines,
                    new InvoiceOutcome(d.Check, d.Order is null ? null : OrderStore.Get(tx.Connection, d.Order.Id))
                );
            }
        );
    }

    private static Decision Decide(
        SqliteConnection connection,
        Account account,
        InvoiceRequest request,
        BooksRules rules
    )
    {
        InvoiceDecision.RefuseUnlessSound(request, rules);
        var order = request.OrderId is { } id ? OrderStore.Get(connection, id) : null;
        if (order is not null && order.Account.Id != account.Id)
            throw new RefusedException("order", "This order is another account's.");
        if (order is not null && request.OrderSeq is { } seq && order.Last.Seq != seq)
            throw new ChangedMeanwhileException($"The order {order.Number}");
        var check = order is null ? CheckDesk.Check(connection, account, request.Amounts.Gross, rules.Today) : null;
        InvoiceDecision.RefuseByCheck(check, request.Reason);
        var text = request.Terms ?? account.Terms;
        return new(
            InvoiceDecision.Posting(request, PolicyStore.TermsOf(connection, text), order?.Number, rules),
            check,
            order,
            order is null ? null : OrderStepRule.Invoiced(order.Last.Step, rules.Today, request.Amounts.Gross.Minor),
            text
        );
    }
}
