using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Reads what stands on a printed charge document.</summary>
internal static class ChargePrinter
{
    internal static PrintedCharge Of(SqliteConnection connection, long entry, Desk desk)
    {
        var charge = ChargeStore.Get(connection, entry, desk.Versions);
        var paper = DocumentPapers.Of(connection, charge.DocumentId);
        return new()
        {
            Number = charge.Number,
            Date = charge.Date,
            Label = charge.Policy?.Label ?? "Late charge",
            Terms = charge.Policy is { } policy ? $"By our terms: {LateChargeWords.Of(policy, charge.Date)}." : "",
            Lines = charge.Lines,
            Net = charge.Net,
            Tax = charge.Tax,
            Reversed = charge.Reversed,
            From = paper?.From ?? Paper.Of(connection),
            To = paper?.To ?? Paper.To(charge.Account),
            PaymentReference = CreditorReference.ForDocument(charge.Number),
        };
    }
}
