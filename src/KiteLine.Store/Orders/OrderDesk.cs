using Dapper;
using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What an action on an order led to: the order, and the check that decided it where there was one.</summary>
public sealed record OrderOutcome(SalesOrder Order, CreditCheck? Check);

/// <summary>Takes orders, checks them before anything is promised, and decides on those that are held.</summary>
public static class OrderDesk
{
    /// <summary>Takes an order and checks it. It is approved when nothing stands against it, or only what a stated reason is enough for; else it is held.</summary>
    /// <exception cref="RefusedException">A field is wrong, or the account has an order of this number.</exception>
    public static OrderOutcome Enter(Tx tx, Account account, NewOrder order, RequestKey? key = null)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(order);
        if (Earlier(tx, key) is { } earlier) return new(OrderStore.Get(tx.Connection, earlier), null);
        var today = tx.BusinessDate();
        if (order.Number.Length is 0 or > 40) throw new RefusedException("number", "Give the order's number, up to 40 characters.");
        if (OrderStore.Find(tx.Connection, account, order.Number) is not null) throw new RefusedException("number", $"The account has an order ‘{order.Number}’ already.");
        if (order.Date > today) throw new RefusedException("date", $"The order is dated on the business date, {Exactly.Day(today)}, or before.");
        CheckAmounts(account, order.Total, order.Deliveries);
        var check = CheckDesk.Check(tx.Connection, account, order.Total, today);
        var goes = Goes(check, order.Reason);
        var id = OrderStore.Insert(tx, account, order, key);
        OrderStore.Add(tx, account, order.Number, id, 1, goes ? OrderStepKind.Approved : OrderStepKind.Held, OrderStepRule.Entered(today, order.Total.Minor, goes), order.Deliveries, order.Reason, check.Findings);
        return new(OrderStore.Get(tx.Connection, id), check);
    }

    /// <summary>Changes what was ordered. Growth is checked again; without a clear answer it is held.</summary>
    /// <param name="seq">The last step that was seen, so that nobody decides on an order that somebody else changed.</param>
    public static OrderOutcome Change(Tx tx, long id, int seq, Money total, IReadOnlyList<OrderDelivery> deliveries, string reason)
    {
        ArgumentNullException.ThrowIfNull(deliveries);
        var (order, today) = Current(tx, id, seq);
        CheckAmounts(order.Account, total, deliveries);
        var before = order.Last.Step;
        var growth = total - Money.FromMinor(before.Total, order.Account.Currency);
        var check = growth.Minor > 0 ? CheckDesk.Check(tx.Connection, order.Account, growth, today) : null;
        // Growth of an order that is held is held with it.
        var approved = check is not null && before.Held(today) == 0 && Goes(check, reason);
        return Step(tx, order, OrderStepKind.Changed, OrderStepRule.Changed(before, today, total.Minor, approved), reason, check, deliveries);
    }

    /// <summary>Releases a held order, in full or in part, for good or until a day, on somebody's authority.</summary>
    /// <exception cref="RefusedException">No reason, or the account would be further over its limit than the authority reaches.</exception>
    public static OrderOutcome Release(Tx tx, long id, int seq, Money? amount, DateOnly? until, string reason)
    {
        var (order, today) = Current(tx, id, seq);
        LimitStore.Reasoned(reason);
        var before = order.Last.Step;
        var step = OrderStepRule.Released(before, today, amount?.Minor, until);
        var added = Money.FromMinor(step.NotInvoiced(today) - before.NotInvoiced(today), order.Account.Currency);
        var check = CheckDesk.Check(tx.Connection, order.Account, added, today);
        if (check.Answer == CheckResponse.Refuse) RefuseWithoutAuthority(tx, check);
        return Step(tx, order, OrderStepKind.Released, step, reason, check);
    }

    /// <summary>Asks for a deposit before the order is released.</summary>
    public static OrderOutcome AskDeposit(Tx tx, long id, int seq, Money deposit, string reason)
    {
        var (order, today) = Current(tx, id, seq);
        LimitStore.Reasoned(reason);
        if (order.Last.Step.Held(today) <= 0) throw new RefusedException("order", "Nothing of this order is held.");
        if (deposit.Minor <= 0 || deposit.Minor > order.Last.Step.Total) throw new RefusedException("amount", "A deposit is above zero and at most the order itself.");
        return Step(tx, order, OrderStepKind.DepositAsked, order.Last.Step with { On = today }, reason, null, deposit: deposit.Minor);
    }

    /// <summary>Declines an order that is held, or closes one of which nothing more is wanted.</summary>
    public static OrderOutcome End(Tx tx, long id, int seq, bool decline, string reason)
    {
        var (order, today) = Current(tx, id, seq);
        LimitStore.Reasoned(reason);
        return Step(tx, order, decline ? OrderStepKind.Declined : OrderStepKind.Closed, OrderStepRule.Ended(order.Last.Step, today), reason, null);
    }

    /// <summary>Counts an invoice against the order it was made of: what was exposed as an order is exposed as an item from now on.</summary>
    internal static void Invoiced(Tx tx, SalesOrder order, Money gross, long entryId) => Step(tx, order, OrderStepKind.Invoiced,
        OrderStepRule.Invoiced(order.Last.Step, tx.BusinessDate(), gross.Minor), "", null, entryId: entryId);

    /// <summary>Gives an order back what an invoice had taken of it, when that invoice is reversed.</summary>
    internal static void InvoiceReversed(Tx tx, long entryId, long reversal, string reason)
    {
        var taken = tx.Connection.QuerySingleOrDefault<(long OrderId, long Gross)?>(
            "SELECT d.order_id, d.net + d.tax FROM document d WHERE d.entry_id = @entryId AND d.order_id IS NOT NULL", new { entryId });
        if (taken is not { } t) return;
        var order = OrderStore.Get(tx.Connection, t.OrderId);
        Step(tx, order, OrderStepKind.InvoiceReversed, OrderStepRule.InvoiceReversed(order.Last.Step, tx.BusinessDate(), t.Gross), reason, null, entryId: reversal);
    }

    private static bool Goes(CreditCheck check, string reason) => check.Answer is null or CheckResponse.Tell || (check.Answer == CheckResponse.Ask && !string.IsNullOrWhiteSpace(reason));

    private static void RefuseWithoutAuthority(Tx tx, CreditCheck check)
    {
        var authority = tx.Actor.Authority.Release;
        if (authority == 0) throw new RefusedException("order", "You may not release what was refused; ask somebody with authority.");
        if (authority is null) return;
        if (check.OverLimit is not { } over) throw new RefusedException("order", $"{check.Findings.First(f => f is { Kind: CheckFinding.GroupOverLimit, Beyond: null }).Text}, so it cannot be measured against your authority; bring the rates up to date first.");
        if (!Authorised.Covers(tx, authority, over, "order"))
            throw new RefusedException("amount", $"This goes over the limit by {over} {over.Currency.Code}, above your authority; release less or ask somebody with more.");
    }

    private static void CheckAmounts(Account account, Money total, IReadOnlyList<OrderDelivery> deliveries)
    {
        if (!ReferenceEquals(total.Currency, account.Currency)) throw new RefusedException("currency", $"The account is kept in {account.Currency.Code}; an order in {total.Currency.Code} goes on an account in that currency.");
        if (total.Minor <= 0) throw new RefusedException("total", "Give the order's total with tax, above zero.");
        if (deliveries.Any(d => d.Minor <= 0)) throw new RefusedException("deliveries", "Each delivery has an amount above zero.");
        if (deliveries.Count > 0 && deliveries.Sum(d => d.Minor) != total.Minor)
            throw new RefusedException("deliveries", $"The deliveries add up to {Money.FromMinor(deliveries.Sum(d => d.Minor), account.Currency)}, the order is {total}.");
    }

    private static (SalesOrder Order, DateOnly Today) Current(Tx tx, long id, int seq)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var order = OrderStore.Get(tx.Connection, id);
        if (order.Last.Seq != seq) throw new ChangedMeanwhileException($"The order {order.Number}");
        return (order, tx.BusinessDate());
    }

    private static OrderOutcome Step(Tx tx, SalesOrder order, OrderStepKind kind, OrderStep step, string reason, CreditCheck? check,
        IReadOnlyList<OrderDelivery>? deliveries = null, long deposit = 0, long? entryId = null)
    {
        OrderStore.Add(tx, order.Account, order.Number, order.Id, order.Last.Seq + 1, kind, step, deliveries ?? order.Last.Deliveries, reason.Trim(), check?.Findings, deposit, entryId);
        return new(OrderStore.Get(tx.Connection, order.Id), check);
    }

    private static long? Earlier(Tx tx, RequestKey? key)
    {
        if (key is null) return null;
        var found = tx.Connection.QuerySingleOrDefault<(long Id, string Hash)?>("SELECT id, request_hash FROM sales_order WHERE request_key = @Key", new { key.Key });
        if (found is { } f && f.Hash != key.Hash) throw new RefusedException("Idempotency-Key", "This key was used for a different order; use a new key for each.");
        return found?.Id;
    }
}
