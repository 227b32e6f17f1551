using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Takes invoices and credit notes that another system wrote into the books.</summary>
public static class ReceivedDocumentDesk
{
    /// <summary>What became of one.</summary>
    /// <param name="Own">Terms that hold for it alone; null where the customer's do.</param>
    public sealed record Decision(
        Account Account,
        ReceivedDocument Document,
        TermsDefinition? Own,
        CreditedInvoice? Credits
    );

    /// <summary>Whether it can be stored. Nothing is written.</summary>
    /// <param name="invoice">The number of the invoice that a credit note names; empty for none.</param>
    /// <exception cref="RefusedException">Names what is wrong.</exception>
    public static Decision Decide(
        SqliteConnection connection,
        ItemStore items,
        Account account,
        ReceivedDocument document,
        TermsDefinition? own,
        string invoice,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(document);
        ArgumentNullException.ThrowIfNull(items);
        document.RefuseUnlessSound(rules);
        Numbers.RefuseTaken(connection, account, document.Kind, document.Number);
        if (Numbers.Revision(connection, account.Id, document.Number) is null)
            throw new RefusedException("number", $"The account has a document ‘{document.Number}’ already.");
        var credits =
            document.Kind == ItemKind.CreditNote && invoice.Length > 0
                ? CreditNoteDesk.Named(connection, account, invoice, items.Details(connection, account))
                : null;
        return new(account, document, own, credits);
    }

    /// <summary>What storing it would do.</summary>
    /// <exception cref="RefusedException">A credit note lies above the authority.</exception>
    public static Effect<CreditCheck?> Preview(
        SqliteConnection connection,
        Decision decision,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(decision);
        ArgumentNullException.ThrowIfNull(rules);
        var check = Measured(connection, decision, authority, rules);
        var posting = Of(decision, rules);
        return Effects.Shown(
            connection,
            decision.Account,
            rules.Today,
            posting.Lines,
            check,
            book => book.After(posting)
        ) with
        {
            Warnings = Warnings(connection, decision, rules),
        };
    }

    /// <summary>
    /// Stores one that a user brings in: an invoice is checked like one that is written here, and a credit note measured by
    /// the same authority.
    /// </summary>
    /// <param name="reason">Needed where the check asks for one.</param>
    /// <exception cref="RefusedException">The check does not let an invoice go, or a credit note lies above the
    /// authority.</exception>
    public static Effect<CreditCheck?> Post(Tx tx, Decision decision, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(decision);
        var warnings = Warnings(tx.Connection, decision, tx.Rules());
        return Effects.Around(
            tx,
            decision.Account,
            () =>
            {
                var check = Measured(tx.Connection, decision, tx.Actor.Authority, tx.Rules());
                InvoiceDecision.RefuseByCheck(check, reason, "file");
                var posting = Of(decision, tx.Rules());
                if (reason.Trim() is { Length: > 0 } given)
                    posting = posting with { Text = $"{posting.Text}; {given}" };
                return (Carry(tx, decision, posting), posting.Lines, check);
            }
        ) with
        {
            Warnings = warnings,
        };
    }

    /// <summary>What is to be named about it before it is stored.</summary>
    public static IReadOnlyList<DocumentWarning> Warnings(
        SqliteConnection connection,
        Decision decision,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(decision);
        return EarlierDocuments.Warnings(connection, decision.Account, Of(decision, rules), rules);
    }

    private static CreditCheck? Measured(
        SqliteConnection connection,
        Decision decision,
        Authority authority,
        BooksRules rules
    )
    {
        var document = decision.Document;
        if (document.Kind == ItemKind.Invoice && decision.Own is { } own)
            BetterTerms.RefuseBeyond(
                own.ToTerms(),
                InvoiceTerms.Usual(connection, decision.Account.Terms),
                document.Content.Amounts,
                document.Date,
                "file",
                authority,
                rules
            );
        if (document.Kind == ItemKind.Invoice)
            return CheckDesk.Check(connection, decision.Account, document.Payable, rules.Today);
        CreditNoteDecision.RefuseBeyond(
            document.Payable,
            CreditNoteDesk.Lately(connection, decision.Account, decision.Credits, rules.Today),
            "file",
            authority,
            rules
        );
        return null;
    }

    /// <summary>Stores it. A credit note is set against the invoice that it names, oldest due first.</summary>
    public static Posted Carry(Tx tx, Decision decision)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(decision);
        return Carry(tx, decision, Of(decision, tx.Rules()));
    }

    private static Posted Carry(Tx tx, Decision decision, Posting posting) =>
        decision.Document.Kind == ItemKind.CreditNote
            ? PostingStore.Post(tx, decision.Account, posting)
            : PostingStore.Post(
                tx,
                decision.Account,
                posting,
                PolicyStore.TermsByText(tx, decision.Account.Terms).Id,
                calendarId: CalendarInForce.Of(tx.Connection, CompanyStore.Settings(tx.Connection)).Id,
                ownTerms: decision.Own
            );

    private static Posting Of(Decision decision, BooksRules rules) =>
        decision.Document.Kind == ItemKind.CreditNote
            ? CreditNote(decision.Document, decision.Credits, rules)
            : decision.Document.Invoice(rules);

    private static Posting CreditNote(ReceivedDocument document, CreditedInvoice? credits, BooksRules rules)
    {
        var posting = document.CreditNote(rules);
        if (credits is null || document.Payable > credits.Gross - credits.Credited || document.Date < credits.Date)
            return posting;
        var zero = Money.Zero(document.Payable.Currency);
        return (
            posting with
            {
                Documents = [posting.Documents[0] with { CreditsId = credits.Id }],
                Text = $"Credit note of {credits.Number}",
                Allocations =
                [
                    .. CreditNoteDecision
                        .OldestFirst(credits.Items, document.Payable)
                        .Select(s => new NewAllocation(
                            null,
                            s.Item.Id,
                            MovementKind.SetOff,
                            document.Date,
                            s.Amount,
                            zero,
                            zero
                        )),
                ],
            }
        ).Checked();
    }
}
