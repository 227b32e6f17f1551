using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Takes orders, checks them before anything is promised, and decides on those that are held.</summary>
/// <remarks>What each action comes to is worked out first, so that it can be shown without being written.</remarks>
public static class OrderDesk
{
    /// <summary>What an action on an order comes to.</summary>
    /// <param name="Order">The order as it stands; null for a new one.</param>
    /// <param name="Check">The check that decided it, where there was one.</param>
    public sealed record Decision(
        Account Account,
        SalesOrder? Order,
        NewOrder? New,
        OrderStepKind Kind,
        OrderStep Step,
        IReadOnlyList<OrderDelivery> Deliveries,
        string Reason,
        CreditCheck? Check,
        long Deposit = 0
    );

    /// <summary>
    /// An order that comes in. It is approved when nothing stands against it, or only what a stated reason is enough
    /// for; else it is held.
    /// </summary>
    /// <param name="book">What it is checked against, with the orders that come before it.</param>
    /// <exception cref="RefusedException">A field is wrong, or the account has an order of this number.</exception>
    public static Decision Enter(
        SqliteConnection connection,
        Account account,
        NewOrder order,
        BooksRules rules,
        CheckBook book
    )
    {
        ArgumentNullException.ThrowIfNull(book);
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(order);
        ArgumentNullException.ThrowIfNull(rules);
        OrderDecision.RefuseUnlessSound(
            order.Number,
            book.HasTaken(account, order.Number) || OrderStore.Find(connection, account, order.Number) is not null,
            order.Date,
            order.Total,
            account.Currency,
            order.Deliveries,
            rules
        );
        if (order.Terms is { } terms)
            _ = PolicyStore.TermsOf(connection, terms);
        var check = book.Check(account, order.Total);
        var goes = OrderDecision.Goes(check, order.Reason);
        var step = OrderStepRule.Entered(rules.Today, order.Total.Minor, goes);
        book.Take(account, new(0, order.Number, order.Date, [step], order.Deliveries));
        return new(
            account,
            null,
            order,
            goes ? OrderStepKind.Approved : OrderStepKind.Held,
            step,
            order.Deliveries,
            order.Reason,
            check
        );
    }

    /// <summary>As it comes in by itself, checked against what stands in the books.</summary>
    public static Decision Enter(SqliteConnection connection, Account account, NewOrder order, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        return Enter(connection, account, order, rules, new CheckBook(connection, rules.Today));
    }

    /// <summary>What was ordered is changed. Growth is checked again; without a clear answer it is held.</summary>
    /// <param name="seq">The last step that was seen, so that nobody decides on an order that somebody else
    /// changed.</param>
    public static Decision Change(
        SqliteConnection connection,
        long id,
        long seq,
        Money total,
        IReadOnlyList<OrderDelivery> deliveries,
        string reason,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(rules);
        var order = Current(connection, id, seq);
        OrderDecision.RefuseAmounts(total, order.Account.Currency, deliveries);
        var before = order.Last.Step;
        var growth = total - Money.FromMinor(before.Total, order.Account.Currency);
        var check = growth.Minor > 0 ? CheckDesk.Check(connection, order.Account, growth, rules.Today) : null;
        // Growth of an order that is held is held with it.
        var approved = check is not null && before.Held(rules.Today) == 0 && OrderDecision.Goes(check, reason);
        return new(
            order.Account,
            order,
            null,
            OrderStepKind.Changed,
            OrderStepRule.Changed(before, rules.Today, total.Minor, approved),
            deliveries,
            reason,
            check
        );
    }

    /// <summary>
    /// A held order is released, in full or in part, for good or until a day, on somebody's authority.
    /// </summary>
    /// <exception cref="RefusedException">No reason, or the account would be further over its limit than the authority
    /// reaches.</exception>
    public static Decision Release(
        SqliteConnection connection,
        long id,
        long seq,
        Money? amount,
        DateOnly? until,
        string reason,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(rules);
        var order = Current(connection, id, seq);
        Reason.Needed(reason);
        var before = order.Last.Step;
        var step = OrderStepRule.Released(before, rules.Today, amount?.Minor, until);
        var added = Money.FromMinor(
            step.NotInvoiced(rules.Today) - before.NotInvoiced(rules.Today),
            order.Account.Currency
        );
        var check = CheckDesk.Check(connection, order.Account, added, rules.Today);
        OrderDecision.RefuseReleaseWithoutAuthority(check, authority, rules);
        return new(order.Account, order, null, OrderStepKind.Released, step, order.Last.Deliveries, reason, check);
    }

    /// <summary>A deposit is asked for before the order is released.</summary>
    public static Decision AskDeposit(
        SqliteConnection connection,
        long id,
        long seq,
        Money deposit,
        string reason,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(rules);
        var order = Current(connection, id, seq);
        Reason.Needed(reason);
        OrderDecision.RefuseDeposit(order.Last.Step, deposit, rules);
        return new(
            order.Account,
            order,
            null,
            OrderStepKind.DepositAsked,
            order.Last.Step with
            {
                On = rules.Today,
            },
            order.Last.Deliveries,
            reason,
            null,
            deposit.Minor
        );
    }

    /// <summary>An order that is held is declined, or one of which nothing more is wanted is closed.</summary>
    public static Decision End(
        SqliteConnection connection,
        long id,
        long seq,
        bool decline,
        string reason,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(rules);
        var order = Current(connection, id, seq);
        Reason.Needed(reason);
        return new(
            order.Account,
            order,
            null,
            decline ? OrderStepKind.Declined : OrderStepKind.Closed,
            OrderStepRule.Ended(order.Last.Step, rules.Today),
            order.Last.Deliveries,
            reason,
            null
        );
    }

    /// <summary>The order as it would stand; nothing is written.</summary>
    public static SalesOrder Shown(Decision decision, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(decision);
        var (order, d) = (decision.Order, decision);
        var seq = order is null ? 1 : order.Last.Seq + 1;
        var shown = new OrderEvent(
            seq,
            d.Kind,
            d.Step,
            d.Deliveries,
            d.Deposit,
            [.. (d.Check?.Findings ?? []).Select(f => new KeptFinding(f.Kind, f.Response, f.Text))],
            null,
            d.Reason.Trim(),
            "",
            ""
        );
        return order is null
            ? new(0, d.Account, d.New!.Number, d.New.Date, d.New.Reference, d.New.Source, [shown])
            : order with
            {
                Events = [.. order.Events, shown],
            };
    }

    /// <summary>The account with an order as it then stands.</summary>
    internal static BookAccount With(BookAccount book, (SalesOrder Order, OrderStep Step)? changed)
    {
        if (changed is not { } c)
            return book;
        var known = book.Orders.FirstOrDefault(o => o.Id == c.Order.Id && c.Order.Id != 0);
        var after = new BookOrder(
            c.Order.Id,
            c.Order.Number,
            c.Order.Date,
            [.. known?.Steps ?? [], c.Step],
            c.Order.Last.Deliveries
        );
        return book with { Orders = [.. book.Orders.Where(o => !ReferenceEquals(o, known)), after] };
    }

    /// <summary>The account as a decision would leave it.</summary>
    public static BookAccount With(BookAccount book, Decision decision, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(decision);
        return With(book, (Shown(decision, rules), decision.Step));
    }

    /// <summary>Writes what was decided in this transaction.</summary>
    public static OrderOutcome Carry(Tx tx, Decision decision)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(decision);
        var d = decision;
        var id = d.Order?.Id ?? OrderStore.Insert(tx, d.Account, d.New!);
        OrderStore.Add(
            tx,
            d.Account,
            d.Order?.Number ?? d.New!.Number,
            id,
            d.Order is null ? 1 : d.Order.Last.Seq + 1,
            d.Kind,
            d.Step,
            d.Deliveries,
            d.Reason.Trim(),
            d.Check?.Findings,
            d.Deposit
        );
        return new(OrderStore.Get(tx.Connection, id), d.Check);
    }

    /// <summary>Takes an order.</summary>
    public static OrderOutcome Enter(Tx tx, Account account, NewOrder order)
    {
        ArgumentNullException.ThrowIfNull(tx);
        return Carry(tx, Enter(tx.Connection, account, order, tx.Rules()));
    }

    private static SalesOrder Current(SqliteConnection connection, long id, long seq)
    {
        var order = OrderStore.Get(connection, id);
        return order.Last.Seq == seq ? order : throw new ChangedMeanwhileException($"The order {order.Number}");
    }
}
