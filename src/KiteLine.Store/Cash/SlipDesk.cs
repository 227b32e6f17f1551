using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Corrects paying-in slips until the bank has credited them.</summary>
public sealed class SlipDesk(ItemStore items)
{
    private sealed record Replaced(
        BankingBatch Slip,
        ReversalDesk.Reversal Reversal,
        Account Account,
        ReceiptDecision Right
    );

    /// <summary>Takes receipts off a slip, which then wait to be banked again, and puts others onto it.</summary>
    /// <exception cref="NotThereException">There is no such slip.</exception>
    /// <exception cref="RefusedException">The bank has credited it, a receipt does not stand on it or does not wait, they
    /// were not taken by one method, there are too many, or no reason is given.</exception>
    public static BankingBatch Change(
        Tx tx,
        long id,
        IReadOnlyCollection<long> off,
        IReadOnlyCollection<long> onto,
        string reason
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(off);
        ArgumentNullException.ThrowIfNull(onto);
        Reason.Needed(reason);
        var slip = Standing(tx.Connection, id);
        if (off.Count + onto.Count == 0)
            throw new RefusedException("off", "Choose receipts that come off the slip, or onto it.");
        var on = BatchDesk.On(tx.Connection, id);
        foreach (var posting in off.Distinct())
        {
            if (on.All(r => r.Posting != posting))
                throw new RefusedException("off", $"One of the receipts does not stand on the slip {slip.Number}.");
            Note(tx, slip.Id, posting, off: true, reason);
        }

        var added = BatchDesk.Waiting(tx.Connection, [.. onto.Distinct()], "onto");
        var staying = on.Where(r => !off.Contains(r.Posting)).ToList();
        if (staying.Count + added.Count > BankingSlip.MostReceipts)
            throw new RefusedException("onto", $"A slip holds at most {BankingSlip.MostReceipts} receipts.");
        BankingSlip.RefuseUnlessTogether(
            [(slip.Method, slip.Currency), .. added.Select(r => (r.Method, r.Currency))],
            slip.Currency
        );
        foreach (var receipt in added)
            Note(tx, slip.Id, receipt.Posting, off: false, reason);
        var now = BatchDesk.Get(tx.Connection, id);
        Audit.Record(
            tx,
            "banking",
            now.IsVoid ? "slip void" : "slip corrected",
            new
            {
                slip.Number,
                off = off.Count,
                onto = onto.Count,
            },
            reason
        );
        return now;
    }

    /// <summary>What reversing a wrong receipt and taking the right one in its place would do, on each account.</summary>
    public IReadOnlyList<Effect<Payment?>> Preview(
        SqliteConnection connection,
        SlipReplacement request,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(request);
        ArgumentNullException.ThrowIfNull(rules);
        var r = Decide(connection, request, authority, rules);
        // The wrong one is no second receipt: it is reversed by the same step.
        var wrong = BatchDesk.On(connection, request.Slip).First(x => x.Posting == request.Wrong).Number;
        DocumentWarning[] warnings =
        [
            .. EarlierDocuments.Warnings(connection, r.Account, r.Right.Posting, rules).Where(w => w.Document != wrong),
        ];
        if (r.Reversal.Account.Id == r.Account.Id)
            return
            [
                Effects.Shown(
                    connection,
                    r.Account,
                    rules.Today,
                    [.. r.Reversal.Lines, .. r.Right.Lines],
                    (Payment?)r.Right.Payment,
                    book => After(r.Reversal.On(book, request.Wrong), r.Right)
                ) with
                {
                    Warnings = warnings,
                },
            ];
        return
        [
            Effects.Shown(
                connection,
                r.Reversal.Account,
                rules.Today,
                r.Reversal.Lines,
                (Payment?)null,
                book => r.Reversal.On(book, request.Wrong)
            ),
            Effects.Shown(
                connection,
                r.Account,
                rules.Today,
                r.Right.Lines,
                (Payment?)r.Right.Payment,
                book => After(book, r.Right)
            ) with
            {
                Warnings = warnings,
            },
        ];
    }

    /// <summary>Reverses a wrong receipt and takes the right one in its place, in one step.</summary>
    /// <exception cref="RefusedException">As for each of the two; or the bank has credited the slip, or the receipt does not
    /// stand on it.</exception>
    public Posted Replace(Tx tx, SlipReplacement request)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(request);
        var r = Decide(tx.Connection, request, tx.Actor.Authority, tx.Rules());
        Note(tx, r.Slip.Id, request.Wrong, off: true, request.Reason);
        ReversalDesk.Post(tx, request.Wrong, request.Reason);
        var posted = ReceiptDesk.PostByHand(tx, r.Account, r.Right, request.Reason);
        Note(tx, r.Slip.Id, posted.EntryId, off: false, request.Reason);
        Audit.Record(
            tx,
            "banking",
            "receipt replaced",
            new
            {
                r.Slip.Number,
                wrong = request.Wrong,
                right = posted.Number,
            },
            request.Reason
        );
        return posted;
    }

    private static BookAccount After(BookAccount book, ReceiptDecision decision) =>
        decision.Postings.Aggregate(book, (b, p) => b.After(p));

    private Replaced Decide(SqliteConnection connection, SlipReplacement request, Authority authority, BooksRules rules)
    {
        Reason.Needed(request.Reason);
        var slip = Standing(connection, request.Slip);
        if (BatchDesk.On(connection, slip.Id).All(x => x.Posting != request.Wrong))
            throw new RefusedException("posting", $"The receipt does not stand on the slip {slip.Number}.");
        var account = AccountStore.Get(connection, request.Account);
        if (!ReferenceEquals(account.Currency, slip.Currency))
            throw new RefusedException(
                "account",
                $"The slip is in {slip.Currency.Code}; choose an account in that currency."
            );
        var reversal = ReversalDesk.Decide(connection, request.Wrong, request.Reason, rules);
        var target = Without(connection, reversal, account, request.ValueDate, rules);
        // What is proposed is accepted as it is proposed: the merely oldest items are filled.
        var proposal = request.Right is null
            ? target.Propose(
                Money.Round(request.Cash, account.Currency, rules.Rounding),
                request.Reference,
                request.ValueDate,
                rules.Rounding
            )
            : null;
        var chosen = request.Right ?? proposal!.Chosen.ToDictionary(i => i.ItemId, _ => new PaymentChoice());
        return new(
            slip,
            reversal,
            account,
            ReceiptDecision.Of(
                new(
                    request.ValueDate,
                    request.Cash,
                    request.Reference,
                    chosen,
                    request.Reason,
                    slip.Method,
                    proposal is { Filled: true }
                ),
                target,
                CompanyStore.Settings(connection).PaymentMethods,
                authority,
                rules
            )
        );
    }

    // The account of the right receipt as it is without the wrong one.
    private ReceiptTarget Without(
        SqliteConnection connection,
        ReversalDesk.Reversal reversal,
        Account account,
        DateOnly valueDate,
        BooksRules rules
    )
    {
        var open = items.Details(connection, account, alsoClosed: reversal.Account.Id == account.Id);
        var back = reversal
            .Posting.Movements.Concat(reversal.With.SelectMany(w => w.Posting.Movements))
            .ToLookup(m => m.ItemId, m => m.Movement);
        return ReceiptDesk.Target(
            connection,
            account,
            reversal.Account.Id != account.Id
                ? open
                :
                [
                    .. open.Select(d =>
                            d with
                            {
                                Item = d.Item with { Movements = [.. d.Item.Movements, .. back[d.Item.Id]] },
                            }
                        )
                        .Where(d => !d.Item.Left.IsZero),
                ],
            valueDate,
            rules
        );
    }

    private static BankingBatch Standing(SqliteConnection connection, long id)
    {
        var slip = BatchDesk.Get(connection, id);
        BankingSlip.RefuseOnceCredited(slip.Number, slip.SettledBy is not null);
        return slip;
    }

    /// <summary>Notes that a receipt comes off a slip, or onto it.</summary>
    internal static void Note(Tx tx, long slip, long posting, bool off, string reason) =>
        tx.Connection.Execute(
            """
            INSERT INTO slip_change (batch_id, posting, off, reason, made_by, made_at)
            VALUES (@slip, @posting, @off, @reason, @Who, @Now)
            """,
            new
            {
                slip,
                posting,
                off,
                reason = reason.Trim(),
                tx.Who,
                tx.Now,
            }
        );
}
