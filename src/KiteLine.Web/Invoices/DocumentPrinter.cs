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
        return new()
        {
            Kind = d.Kind,
            Number = d.Number,
            Date = d.Date,
            Reference = d.Reference,
            Credits = d.Credits,
            CompanyName = settings.Name,
            CompanyAddress = settings.Address,
            AccountCode = d.Account.Code,
            CustomerName = d.Account.Profile.LegalName is { Length: > 0 } legal ? legal : d.Account.Name,
            AddressLines = d.Account.Address.Split(
                '\n',
                StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries
            ),
            Content = d.Content,
            TermsText = invoice && d.Terms is { } terms ? Terms(connection, d, terms, settings, desk) : "",
            LateChargeText = invoice ? LateCharge(connection, d) : "",
            ExemptionText = d.Content.Amounts.Tax.IsZero ? Exemption(d) : "",
            PaymentReference = invoice ? PrintedDocument.ReferenceOf(d.Number) : "",
            Foot = settings.LetterFoot,
        };
    }

    private static string Terms(
        SqliteConnection connection,
        StoredDocument d,
        TermsDefinition definition,
        CompanySettings settings,
        Desk desk
    )
    {
        var terms = definition.ToTerms();
        return TermsTexts.Fill(
            definition.Printed,
            terms,
            PaymentSchedule.For(
                terms,
                d.Content.Amounts,
                d.Date,
                desk.Items.CalendarOf(connection, d.CalendarId),
                settings.Rounding
            ),
            d.Content.Amounts,
            d.Date
        );
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
