using System.Globalization;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web.Tests;

/// <summary>
/// Books with a bank account of the company's, two customers and their invoices, on 16 March 2026: what tests of bank
/// statements start from.
/// </summary>
internal static class BankBooks
{
    internal static void Open(TestApp app) =>
        app.Books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                CompanyStore.Change(
                    tx,
                    stored.Settings with
                    {
                        PinnedBusinessDate = new(2026, 3, 16),
                        AdjustTaxOnDiscount = false,
                    },
                    stored.Version,
                    "tests"
                );
                OwnAccountStore.Add(tx, CamtText.Own, "GBP", "");
                AccountStore.Open(tx, new("Pellworm Sail Loft", "PEL01", Limit: 9000, Terms: "2/10 n/30"));
                AccountStore.Open(tx, new("Harbour Rigging Company Ltd", "HAR01", Limit: 9000, Terms: "2/10 n/30"));
                Invoice(tx, "PEL01", "INV-1001", "2026-03-02", 1000);
                Invoice(tx, "PEL01", "INV-1007", "2026-03-04", 500);
                Invoice(tx, "HAR01", "INV-1010", "2026-02-02", 300);
                return 0;
            }
        );

    /// <summary>An invoice without tax, of terms 2/10 n/30.</summary>
    internal static void Invoice(Tx tx, string account, string number, string date, decimal amount)
    {
        var of = AccountStore.Get(tx.Connection, account);
        var terms = PolicyStore.TermsByText(tx, "2/10 n/30");
        PostingStore.Post(
            tx,
            of,
            InvoicePosting.Invoice(
                number,
                DateOnly.Parse(date, CultureInfo.InvariantCulture),
                new InvoiceAmounts(Pounds(amount), Pounds(0), Pounds(0)),
                terms.Definition.ToTerms(),
                tx.Rules()
            ),
            terms.Id
        );
    }

    private static Money Pounds(decimal amount) => Money.Exact(amount, Currency.Of("GBP"));
}
