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
        ArgumentNullException.ThrowIfNull(request);
        return ReceiptDecision.Of(
            request,
            Target(connection, account, request.ValueDate, rules),
            CompanyStore.Settings(connection).PaymentMethods,
            authority,
            rules
        );
    }

    /// <summary>An account as a receipt of a day finds it.</summary>
    public ReceiptTarget Target(SqliteConnection connection, Account account, DateOnly valueDate, BooksRules rules) =>
        Target(connection, account, items.Details(connection, account), valueDate, rules);

    /// <summary>The same with what is open on it, and the reminders that ask for it.</summary>
    internal static ReceiptTarget Target(
        SqliteConnection connection,
        Account account,
        IReadOnlyList<ItemDetail> open,
        DateOnly valueDate,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        return PaidLetters.With(
            connection,
            account,
            Target(account, open, valueDate, CompanyStore.Settings(connection), rules)
        );
    }

    private static ReceiptTarget Target(
        Account account,
        IReadOnlyList<ItemDetail> open,
        DateOnly valueDate,
        CompanySettings settings,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(rules);
        return new(
            account.Currency,
            open,
            AllowanceOfAccount.Of(
                account.Profile.Allowance,
                settings.Allowance.In(account.Currency, valueDate, rules.Rates)
            ),
            account.Profile.Allowance.Choice == AllowanceChoice.Barred
        );
    }

    /// <summary>Proposes for entries of accounts in one currency, which are read together.</summary>
    /// <param name="codes">Of the accounts.</param>
    internal StatementProposals Proposals(
        SqliteConnection connection,
        Currency currency,
        IReadOnlyCollection<string> codes,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(currency);
        ArgumentNullException.ThrowIfNull(codes);
        ArgumentNullException.ThrowIfNull(rules);
        var company = CompanyStore.Settings(connection).Allowance;
        var accounts = AccountStore.Allowances(connection, codes);
        var open = items.ToSettle(connection, currency, [.. accounts.Values.Select(a => a.Id)], rules.Rounding);
        var byCode = accounts.ToDictionary(a => a.Key, a => a.Value, StringComparer.OrdinalIgnoreCase);
        return new(
            code => open[byCode[code].Id],
            (code, day) => AllowanceOfAccount.Of(byCode[code].Allowance, company.In(currency, day, rules.Rates)),
            rules.Rounding,
            code => PaidLetters.Of(connection, byCode[code].Id, currency, open[byCode[code].Id])
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
            Target(connection, account, valueDate, rules),
            chosen,
            rules.Rounding
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
            decision.Lines,
            decision.Payment,
            book => decision.Postings.Aggregate(book, (b, p) => b.After(p))
        ) with
        {
            Warnings = EarlierDocuments.Warnings(connection, account, decision.Posting, rules),
        };
    }

    /// <summary>What placing money that came in on an account would do.</summary>
    public Effect<Payment> Preview(
        SqliteConnection connection,
        EntryPlacement placement,
        IncomingMoney money,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(placement);
        ArgumentNullException.ThrowIfNull(money);
        ArgumentNullException.ThrowIfNull(rules);
        var account = AccountStore.Get(connection, placement.Account);
        var decision = Decide(connection, account, placement, money, authority, rules);
        return Effects.Shown(
            connection,
            account,
            rules.Today,
            decision.Lines,
            decision.Payment,
            book => decision.Postings.Aggregate(book, (b, p) => b.After(p))
        ) with
        {
            Warnings = EarlierDocuments.Warnings(connection, account, decision.Posting, rules),
        };
    }

    /// <summary>Places money that came in on an account and shows what that did.</summary>
    public Effect<Payment> Take(Tx tx, EntryPlacement placement, IncomingMoney money)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(placement);
        var account = AccountStore.Get(tx.Connection, placement.Account);
        IReadOnlyList<DocumentWarning> warnings = [];
        return Effects.Around(
            tx,
            account,
            () =>
            {
                var decision = Decide(tx.Connection, account, placement, money, tx.Actor.Authority, tx.Rules());
                warnings = EarlierDocuments.Warnings(tx.Connection, account, decision.Posting, tx.Rules());
                return (Post(tx, account, decision, placement.Reason), decision.Lines, decision.Payment);
            }
        ) with
        {
            Warnings = warnings,
        };
    }

    private ReceiptDecision Decide(
        SqliteConnection connection,
        Account account,
        EntryPlacement placement,
        IncomingMoney money,
        Authority authority,
        BooksRules rules
    ) =>
        ReceiptDecision.Of(
            money,
            placement.Items,
            placement.Reason,
            Target(connection, account, money.ValueDate, rules),
            authority,
            rules,
            placement.Filled,
            placement.KeepOver
        );

    /// <summary>Takes a payment and shows what it did.</summary>
    public Effect<Payment> Take(Tx tx, string code, PaymentRequest request)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var account = AccountStore.Get(tx.Connection, code);
        IReadOnlyList<DocumentWarning> warnings = [];
        return Effects.Around(
            tx,
            account,
            () =>
            {
                var decision = Decide(tx.Connection, account, request, tx.Actor.Authority, tx.Rules());
                warnings = EarlierDocuments.Warnings(tx.Connection, account, decision.Posting, tx.Rules());
                var posted = PostByHand(tx, account, decision, request.Reason);
                return (posted, decision.Lines, decision.Payment);
            }
        ) with
        {
            Warnings = warnings,
        };
    }

    /// <summary>Takes a payment.</summary>
    public (Posted Posted, ReceiptDecision Decision) Post(Tx tx, Account account, PaymentRequest request)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var decision = Decide(tx.Connection, account, request, tx.Actor.Authority, tx.Rules());
        return (PostByHand(tx, account, decision, request.Reason), decision);
    }

    /// <summary>Posts what was decided on a payment that was taken by hand; it waits to be banked.</summary>
    internal static Posted PostByHand(Tx tx, Account account, ReceiptDecision decision, string reason)
    {
        var posted = Post(tx, account, decision, reason);
        if (decision.Posting.Documents[0].PaymentMethod is { Length: > 0 } method)
            BatchDesk.Taken(tx, posted.EntryId, method);
        return posted;
    }

    /// <summary>Posts a payment, and before it what a reminder that it pays in full showed beyond its items.</summary>
    internal static Posted PostWithLetter(Tx tx, Account account, ReceiptDecision decision)
    {
        if (decision.Letter is not { } letter)
            return PostingStore.Post(tx, account, decision.Posting);
        var raised = letter
            .Raised.Select(r => (r.Item, r.Posting, Posted: PostingStore.Post(tx, account, r.Posting)))
            .ToList();
        var posted = PostingStore.Post(
            tx,
            account,
            decision.With(raised.ToDictionary(r => r.Item, r => r.Posted.ItemIds[0]))
        );
        PaidLetters.Note(tx, account, letter, posted.EntryId, [.. raised.Select(r => (r.Posting, r.Posted.EntryId))]);
        return posted;
    }

    private static Posted Post(Tx tx, Account account, ReceiptDecision decision, string reason)
    {
        var posted = PostWithLetter(tx, account, decision);
        foreach (var (item, amount) in decision.Disputed)
            DisputeStore.Raise(tx, account, item.Id, amount, "", reason, posted.EntryId);
        return posted;
    }
}
