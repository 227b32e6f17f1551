using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Takes payments.</summary>
public sealed class ReceiptDesk(ItemStore items)
{
    /// <summary>What a payment comes to. Nothing is written.</summary>
    /// <exception cref="RefusedException">A field is wrong, an item is closed, or a decision lies above the
    /// authority.</exception>
    public ReceiptDecision Decide(
        SqliteConnection connection,
        Account account,
        PaymentRequest request,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        var settings = CompanyStore.Settings(connection);
        return ReceiptDecision.Of(
            request,
            account.Currency,
            items.Details(connection, account),
            settings.Allowance,
            settings.PaymentMethods,
            authority,
            rules
        );
    }

    /// <summary>What an amount would settle, and what chosen items need.</summary>
    public PaymentProposal Propose(
        SqliteConnection connection,
        Account account,
        Money? cash,
        DateOnly valueDate,
        string text,
        IReadOnlyCollection<long> chosen,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        return PaymentProposal.Of(
            cash,
            valueDate,
            text,
            account.Currency,
            items.Details(connection, account),
            chosen,
            CompanyStore.Settings(connection).Allowance,
            rules
        );
    }

    /// <summary>What taking a payment would do.</summary>
    public Effect<Payment> Preview(
        SqliteConnection connection,
        string code,
        PaymentRequest request,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(rules);
        var account = AccountStore.Get(connection, code);
        var decision = Decide(connection, account, request, authority, rules);
        return Effects.Shown(
            connection,
            account,
            rules.Today,
            decision.Posting.Lines,
            decision.Payment,
            book => book.After(decision.Posting)
        );
    }

    /// <summary>Takes a payment and shows what it did.</summary>
    public Effect<Payment> Take(Tx tx, string code, PaymentRequest request)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var account = AccountStore.Get(tx.Connection, code);
        return Effects.Around(
            tx,
            account,
            () =>
            {
                var (posted, decision) = Post(tx, account, request);
                return (posted, decision.Posting.Lines, decision.Payment);
            }
        );
    }

    /// <summary>Takes a payment.</summary>
    public (Posted Posted, ReceiptDecision Decision) Post(Tx tx, Account account, PaymentRequest request)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var decision = Decide(tx.Connection, account, request, tx.Actor.Authority, tx.Rules());
        return (PostingStore.Post(tx, account, decision.Posting), decision);
    }
}
