using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Makes what is printed of an invoice or a credit note, today as on the day on which it was posted.</summary>
internal static class DocumentPrinter
{
    internal static PrintedDocument Of(SqliteConnection connection, StoredDocument d, Desk desk)
    {
        var settings = CompanyStore.Settings(connection);
        var invoice = d.Kind == ItemKind.Invoice;
        var schedule =
            invoice && d.Terms is { } terms
                ? PaymentSchedule.For(
                    terms.ToTerms(),
                    d.Content.Amounts,
                    d.Date,
                    desk.Items.CalendarOf(connection, d.CalendarId),
                    settings.Rounding
                )
                : null;
        var paper = DocumentPapers.Of(connection, d.Id);
        return new()
        {
            Kind = d.Kind,
            Number = d.Number,
            Date = d.Date,
            Reference = d.Reference,
            Credits = d.Credits,
            From = paper?.From ?? Paper.Of(connection),
            To = paper?.To ?? Paper.To(d.Account),
            Content = d.Content,
            TermsText = schedule is null
                ? ""
                : TermsTexts.Fill(d.Terms!.Printed, d.Terms.ToTerms(), schedule, d.Content.Amounts, d.Date),
            AmendedText = DocumentWords.Amended(d.AmendedOn),
            Discounts = schedule?.Discounts ?? [],
            Due = schedule?.Instalments.Max(i => i.Due),
            LateChargeText = invoice ? paper?.LateCharge ?? LateCharge(connection, d) : "",
            ExemptionText =
                paper?.Exemption ?? DocumentWords.Exemption(d.Account.Profile.Exemption, d.Date, d.Content.Amounts.Tax),
            PaymentReference = invoice ? CreditorReference.ForDocument(d.Number) : "",
        };
    }

    private static string LateCharge(SqliteConnection connection, StoredDocument d) =>
        DocumentWords.LateCharge(PolicyStore.LateCharge(connection, d.Account.LateChargePolicy), d.Date);
}
