using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Makes what is printed of an invoice or a credit note.</summary>
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
        return new()
        {
            Kind = d.Kind,
            Number = d.Number,
            Date = d.Date,
            Reference = d.Reference,
            Credits = d.Credits,
            From = Paper.Of(connection),
            To = Paper.To(d.Account),
            Content = d.Content,
            TermsText = schedule is null
                ? ""
                : TermsTexts.Fill(d.Terms!.Printed, d.Terms.ToTerms(), schedule, d.Content.Amounts, d.Date),
            Discounts = schedule?.Discounts ?? [],
            Due = schedule?.Instalments.Max(i => i.Due),
            LateChargeText = invoice ? LateCharge(connection, d) : "",
            ExemptionText = d.Content.Amounts.Tax.IsZero ? Exemption(d) : "",
            PaymentReference = invoice ? CreditorReference.ForDocument(d.Number) : "",
        };
    }

    // What the customer is told beforehand of what late payment costs.
    private static string LateCharge(SqliteConnection connection, StoredDocument d) =>
        PolicyStore.LateCharge(connection, d.Account.LateChargePolicy) is { } policy
            ? $"Paid late, it bears {policy.Label.ToLowerInvariant()}: {LateChargeWords.Of(policy, d.Date)}."
            : "";

    private static string Exemption(StoredDocument d) =>
        d.Account.Profile.Exemption is { } exemption && exemption.HoldsOn(d.Date)
            ? $"No tax: {exemption.Reason}"
                + (exemption.Certificate.Length > 0 ? $", certificate {exemption.Certificate}" : "")
                + "."
            : "";
}
