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
        if (Numbers.Revision(connection, account.Id, document.Number) is null)
            throw new RefusedException("number", $"The account has a document ‘{document.Number}’ already.");
        var credits =
            document.Kind == ItemKind.CreditNote && invoice.Length > 0
                ? CreditNoteDesk.Named(connection, account, invoice, items.Details(connection, account))
                : null;
        return new(account, document, own, credits);
    }

    /// <summary>Stores it. A credit note is set against the invoice that it names, oldest due first.</summary>
    public static Posted Carry(Tx tx, Decision decision)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(decision);
        var (account, document, rules) = (decision.Account, decision.Document, tx.Rules());
        if (document.Kind == ItemKind.CreditNote)
            return PostingStore.Post(tx, account, CreditNote(document, decision.Credits, rules));
        return PostingStore.Post(
            tx,
            account,
            document.Invoice(rules),
            PolicyStore.TermsByText(tx, account.Terms).Id,
            calendarId: CalendarInForce.Of(tx.Connection, CompanyStore.Settings(tx.Connection)).Id,
            ownTerms: decision.Own
        );
    }

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
