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
        InvoiceTerms Terms,
        DocumentContent Content,
        IReadOnlyList<DocumentWarning> Warnings
    );

    /// <summary>What posting an invoice would do; a check that does not let it go is told and refuses nothing
    /// here.</summary>
    /// <exception cref="RefusedException">A field is wrong, or more is invoiced than the order is approved
    /// for.</exception>
    public static Effect<InvoiceOutcome> Preview(
        SqliteConnection connection,
        Account account,
        InvoiceRequest request,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(rules);
        var d = Decide(connection, account, request, authority, rules, shown: true);
        return Effects.Shown(
            connection,
            account,
            rules.Today,
            d.Posting.Lines,
            Outcome(d, d.Order, request, rules),
            book =>
                OrderDesk.With(book.After(d.Posting), d is { Order: { } order, Step: { } step } ? (order, step) : null)
        ) with
        {
            Warnings = d.Warnings,
        };
    }

    /// <summary>
    /// Posts an invoice and shows what that did. One made of an order takes the place of the order in the exposure; one
    /// without is checked like an order.
    /// </summary>
    public static Effect<InvoiceOutcome> Post(Tx tx, Account account, InvoiceRequest request)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        IReadOnlyList<DocumentWarning> warnings = [];
        return Effects.Around(
            tx,
            account,
            () =>
            {
                var d = Decide(tx.Connection, account, request, tx.Actor.Authority, tx.Rules(), shown: false);
                warnings = d.Warnings;
                var terms = PolicyStore.TermsByText(tx, d.Terms.Kept);
                var posted = PostingStore.Post(
                    tx,
                    account,
                    d.Posting,
                    terms.Id,
                    calendarId: CalendarInForce.Of(tx.Connection, CompanyStore.Settings(tx.Connection)).Id,
                    ownTerms: d.Terms.Own
                );
                if (d is { Order: { } order, Step: { } step })
                    OrderInvoicing.Invoiced(tx, order, step, posted.EntryId);
                return (
                    posted,
                    d.Posting.Lines,
                    Outcome(d, d.Order is null ? null : OrderStore.Get(tx.Connection, d.Order.Id), request, tx.Rules())
                );
            }
        ) with
        {
            Warnings = warnings,
        };
    }

    private static Decision Decide(
        SqliteConnection connection,
        Account account,
        InvoiceRequest request,
        Authority authority,
        BooksRules rules,
        bool shown
    )
    {
        InvoiceDecision.RefuseUnlessSound(request, rules);
        if (request.Number is { } number)
            Numbers.RefuseTaken(connection, account, ItemKind.Invoice, number);
        if (account.Profile.Exemption?.HoldsOn(request.Date) == true)
            request = request.Exempt();
        var order = request.OrderId is { } id ? OrderStore.Get(connection, id) : null;
        if (order is not null && order.Account.Id != account.Id)
            throw new RefusedException("order", "This order is another account's.");
        if (order is not null && request.OrderSeq is { } seq && order.Last.Seq != seq)
            throw new ChangedMeanwhileException($"The order {order.Number}");
        var terms = InvoiceTerms.Of(connection, order?.Terms ?? account.Terms, request.Terms, request.OneOff);
        var content = request.Content(
            terms.Terms,
            account.Currency,
            code => PolicyStore.Find<TaxCode>(connection, PolicyKind.TaxCode, code)?.Definition,
            rules
        );
        InvoiceDecision.RefuseUnlessSound(content, terms.Terms.Conditions.Base);
        BetterTerms.RefuseBeyond(
            terms.Terms,
            InvoiceTerms.Usual(connection, account.Terms),
            content.Amounts,
            request.Date,
            request.OneOff is null ? "terms" : "discount",
            authority,
            rules
        );
        var gross = content.Amounts.Gross;
        var check = order is null ? CheckDesk.Check(connection, account, gross, rules.Today) : null;
        if (!shown)
            InvoiceDecision.RefuseByCheck(check, request.Reason);
        var posting = InvoiceDecision.Posting(request, content, terms.Terms, order?.Number, rules);
        return new(
            posting,
            check,
            order,
            order is null ? null : OrderStepRule.Invoiced(order.Last.Step, rules.Today, gross.Minor),
            terms,
            content,
            EarlierDocuments.Warnings(connection, account, posting, rules)
        );
    }

    private static InvoiceOutcome Outcome(Decision d, SalesOrder? order, InvoiceRequest request, BooksRules rules) =>
        new(
            d.Check,
            order,
            d.Content,
            d.Terms.Terms,
            PaymentSchedule.For(d.Terms.Terms, d.Content.Amounts, request.Date, rules.Calendar, rules.Rounding)
        );
}
