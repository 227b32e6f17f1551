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
        /// <summary>Of the invoice that it takes the place of; null for none.</summary>
        internal ReversalDesk.Reversal? Reversal { get; init; }

        internal IReadOnlyList<JournalLine> Lines => [.. Reversal?.Lines ?? [], .. Posting.Lines];
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
                    Without(book, d.Reversal, request).After(d.Posting),
                    d is { Order: { } order, Step: { } step } ? (order, step) : null
                )
        ) with
        {
            Warnings = d.Warnings,
        };
    }

    private static BookAccount Without(BookAccount book, ReversalDesk.Reversal? reversal, InvoiceRequest request) =>
        reversal is null ? book : OrderDesk.With(reversal.On(book, request.Replaces!.Value), reversal.Order);

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
        var reversal = Wrong(connection, account, request, rules);
        if (request.Number is { } number)
            Numbers.RefuseTaken(connection, account, ItemKind.Invoice, number, request.Replaces);
        if (account.Profile.Exemption?.HoldsOn(request.Date) == true)
            request = request.Exempt();
        // What took the place of an invoice of an order is of that order too.
        request = request with
        {
            OrderId = request.OrderId ?? reversal?.Order?.Order.Id,
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
            [InvoiceTerms.Usual(connection, account.Terms), .. HadBefore(connection, account, request)],
            content.Amounts,
            request.Date,
            request.OneOff is null ? "terms" : "discount",
            authority,
            rules
        );
        var gross = content.Amounts.Gross;
        // What takes the place of an invoice asks for what it raises the exposure by, if it does.
        var asked = reversal is null ? gross : gross - Gross(reversal);
        var check = order is null && asked.Minor > 0 ? CheckDesk.Check(connection, account, asked, rules.Today) : null;
        if (!shown)
            InvoiceDecision.RefuseByCheck(check, request.Reason);
        var posting = InvoiceDecision.Posting(request, content, terms.Terms, order?.Number, rules);
        return new(
            posting,
            check,
            order,
            order is null ? null : OrderStepRule.Invoiced(Step(order, reversal), rules.Today, gross.Minor),
            terms,
            content,
            [
                .. EarlierDocuments
                    .Warnings(connection, account, posting, rules)
                    .Where(w =>
                        reversal is null || w.Document != NumberOf(connection, account, request.Replaces!.Value)
                    ),
            ]
        )
        {
            Reversal = reversal,
        };
    }

    private static Money Gross(ReversalDesk.Reversal reversal) =>
        reversal
            .Lines.Where(l => l.IsCustomers)
            .Aggregate(Money.Zero(reversal.Account.Currency), (sum, l) => sum - l.Amount);

    // How the order stands once the wrong invoice is reversed.
    private static OrderStep Step(SalesOrder order, ReversalDesk.Reversal? reversal) =>
        reversal?.Order is { } back && back.Order.Id == order.Id ? back.Step : order.Last.Step;

    private static ReversalDesk.Reversal? Wrong(
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
        return ReversalDesk.Decide(connection, wrong, request.Reason, rules);
    }

    // The terms of the wrong invoice were let go of when it was posted.
    private static IEnumerable<Terms> HadBefore(SqliteConnection connection, Account account, InvoiceRequest request) =>
        request.Replaces is { } wrong
        && DocumentStore
            .Get(
                connection,
                connection.QuerySingle<long>(
                    "SELECT id FROM document WHERE account_id = @Id AND entry_id = @wrong",
                    new { account.Id, wrong }
                )
            )
            .Terms
            is { } terms
            ? [terms.ToTerms()]
            : [];

    private static string NumberOf(SqliteConnection connection, Account account, long entry) =>
        connection.QuerySingle<string>(
            "SELECT number FROM document WHERE account_id = @Id AND entry_id = @entry",
            new { account.Id, entry }
        );

    private static InvoiceOutcome Outcome(Decision d, SalesOrder? order, InvoiceRequest request, BooksRules rules) =>
        new(
            d.Check,
            order,
            d.Content,
            d.Terms.Terms,
            PaymentSchedule.For(d.Terms.Terms, d.Content.Amounts, request.Date, rules.Calendar, rules.Rounding)
        );
}
