using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Reads what stands on a printed receipt.</summary>
internal static class ReceiptPrinter
{
    internal static PrintedReceipt Of(SqliteConnection connection, long entry, Desk desk)
    {
        var receipt = ReceiptStore.Get(connection, entry);
        var settings = CompanyStore.Settings(connection);
        var settled = desk
            .Corrections.Of(connection, entry)
            .Where(s => s.Credit.Item.Document == receipt.Number)
            .ToList();
        var amount = Money.FromMinor(receipt.Amount, receipt.Account.Currency);
        var moved = Money.FromMinor(receipt.Moved, receipt.Account.Currency);
        return new()
        {
            Number = receipt.Number,
            Date = receipt.Date,
            Received = amount,
            Method = settings.PaymentMethods.FirstOrDefault(m => m.Code == receipt.Method)?.Name ?? receipt.Method,
            Reference = receipt.Reference,
            Lines =
            [
                .. settled.Select(s => new PrintedReceiptLine(
                    s.Debit.Item.Document,
                    s.Allocation.Cash,
                    s.Allocation.Discount,
                    s.Allocation.WriteOff,
                    s.Debit.Item.Left
                )),
            ],
            Moved = moved,
            OnAccount = Money.FromMinor(receipt.OnAccount, receipt.Account.Currency),
            AsOf = desk.Today(),
            Reversed = receipt.Reversed,
            From = Paper.Of(connection),
            To = Paper.To(receipt.Account),
        };
    }
}
