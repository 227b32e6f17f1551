using Dapper;
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
    )
    {
        /// <summary>The invoice that it takes the place of; null for none.</summary>
        internal Replaced? Wrong { get; init; }

        internal IReadOnlyList<JournalLine> Lines => [.. Wrong?.Reversal.Lines ?? [], .. Posting.Lines];
    }

    private sealed record Replaced(StoredDocument Invoice, ReversalDesk.Reversal Reversal)
    {
        // What it raised the exposure by: its gross, less what was paid in advance.
        internal Money Owed =>
            Reversal
                .Lines.Where(l => l.IsCustomers)
                .Aggregate(Money.Zero(Reversal.Account.Currency), (sum, l) => sum - l.Amount);
    }

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
            d.Lines,
            Outcome(d, d.Order, request, rules),
            book =>
                OrderDesk.With(
                    Without(book, d.Wrong).After(d.Posting),
                    d is { Order: { } order, Step: { } step } ? (order, step) : null
                )
        ) with
        {
            Warnings = d.Warnings,
        };
    }

    private static BookAccount Without(BookAccount book, Replaced? wrong) =>
        wrong is null ? book : OrderDesk.With(wrong.Reversal.On(book, wrong.Invoice.EntryId), wrong.Reversal.Order);

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
                if (request.Replaces is { } wrong)
                    ReversalDesk.Post(tx, wrong, request.Reason);
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
                    // Once the wrong one is reversed the order has a later step.
                    OrderInvoicing.Invoiced(tx, OrderStore.Get(tx.Connection, order.Id), step, posted.EntryId);
                return (
                    posted,
                    d.Lines,
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
        var wrong = Wrong(connection, account, request, rules);
        if (request.Number is { } number)
            Numbers.RefuseTaken(connection, account, ItemKind.Invoice, number, request.Replaces);
        if (account.Profile.Exemption?.HoldsOn(request.Date) == true)
            request = request.Exempt();
        // What took the place of an invoice of an order is of that order too.
        request = request with
        {
            OrderId = request.OrderId ?? wrong?.Reversal.Order?.Order.Id,
        };
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
            // The terms of the wrong invoice were let go of when it was posted.
            wrong is { Invoice.Terms: { } before }
                ? [InvoiceTerms.Usual(connection, account.Terms), before.ToTerms()]
                : [InvoiceTerms.Usual(connection, account.Terms)],
            content.Amounts,
            request.Date,
            request.OneOff is null ? "terms" : "discount",
            authority,
            rules
        );
        var gross = content.Amounts.Gross;
        // What takes the place of an invoice asks for what it raises the exposure by, if it does.
        var asked = wrong is null ? gross : gross - wrong.Owed;
        if (wrong is not null)
            GivenUp.RefuseBeyond([wrong.Owed - gross], [], "replaces", authority, rules);
        var check = order is null && asked.Minor > 0 ? CheckDesk.Check(connection, account, asked, rules.Today) : null;
        if (!shown)
            InvoiceDecision.RefuseByCheck(check, request.Reason);
        var posting = InvoiceDecision.Posting(request, content, terms.Terms, order?.Number, rules);
        return new(
            posting,
            check,
            order,
            order is null ? null : OrderStepRule.Invoiced(Step(order, wrong), rules.Today, gross.Minor),
            terms,
            content,
            [
                .. EarlierDocuments
                    .Warnings(connection, account, posting, rules)
                    .Where(w => wrong is null || w.Document != wrong.Invoice.Number),
            ]
        )
        {
            Wrong = wrong,
        };
    }

    // How the order stands once the wrong invoice is reversed.
    private static OrderStep Step(SalesOrder order, Replaced? wrong) =>
        wrong?.Reversal.Order is { } back && back.Order.Id == order.Id ? back.Step : order.Last.Step;

    private static Replaced? Wrong(
        SqliteConnection connection,
        Account account,
        InvoiceRequest request,
        BooksRules rules
    )
    {
        if (request.Replaces is not { } wrong)
            return null;
        var (of, kind) = connection.QuerySingleOrDefault<(long? Account, long Kind)>(
            "SELECT account_id, kind FROM entry WHERE id = @wrong",
            new { wrong }
        );
        InvoiceDecision.RefuseUnlessInvoice(of == account.Id, (PostingKind)kind);
        return new(
            DocumentStore.OfEntry(connection, account, wrong),
            ReversalDesk.Decide(connection, wrong, request.Reason, rules)
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
