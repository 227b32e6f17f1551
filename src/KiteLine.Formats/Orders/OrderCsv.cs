using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>
/// Reads orders from a table: <c>account</c>, <c>number</c>, <c>date</c>, <c>amount</c> with tax, and where known
/// <c>currency</c>, <c>delivery</c> and <c>reference</c>. Rows of the same account and number are deliveries of one
/// order.
/// </summary>
public static class OrderCsv
{
    private static readonly string[] Required = ["account", "number", "date", "amount"];

    /// <summary>The orders of the file, and what is wrong with rows that hold none.</summary>
    /// <exception cref="RefusedException">The file cannot be read or lacks a column.</exception>
    public static (IReadOnlyList<OrderDocument> Orders, IReadOnlyList<RowProblem> Problems) Read(
        byte[] content,
        string baseCurrency
    )
    {
        SheetRows sheet;
        try
        {
            sheet = CsvSheet.Read(content);
        }
        catch (CsvException e)
        {
            throw new RefusedException("file", e.Message);
        }

        var columns = sheet
            .Columns.Select((name, i) => (Name: name.ToLowerInvariant(), i))
            .ToDictionary(c => c.Name, c => c.i);
        if (Required.Where(r => !columns.ContainsKey(r)).ToArray() is { Length: > 0 } missing)
            throw new RefusedException(
                "file",
                $"The header lacks the column ‘{string.Join("’, ‘", missing)}’; it has account, number, date, "
                    + $"amount, and where known currency, delivery, reference."
            );
        var orders = new List<OrderDocument>();
        var deliveries = new List<List<(DateOnly, decimal)>>();
        var places = new Dictionary<(string Account, string Number), int>();
        var problems = new List<RowProblem>();
        foreach (var row in sheet.Rows)
        {
            var good = row.Values is not null;
            if (row.Values is null)
                problems.Add(new("orders", row.Line, "", "", row.Problem ?? "This row cannot be read."));
            string Value(string column) =>
                row.Values is not null && columns.TryGetValue(column, out var i) ? row.Values[i].Trim() : "";
            void Bad(string column, string reason)
            {
                good = false;
                problems.Add(new("orders", row.Line, column, Value(column), reason));
            }

            if (!good)
                continue;
            if (Value("account").Length == 0)
                Bad("account", "Give the account's code.");
            if (Value("number").Length == 0)
                Bad("number", "Give the order's number.");
            if (!DayText.TryRead(Value("date"), out var date))
                Bad("date", "Give a date as year-month-day, such as 2026-03-16.");
            var delivery = default(DateOnly);
            if (Value("delivery").Length > 0 && !DayText.TryRead(Value("delivery"), out delivery))
                Bad("delivery", "Give a date as year-month-day, or leave it empty.");
            if (!AmountText.TryRead(Value("amount"), out var amount) || amount <= 0)
                Bad("amount", "Give the amount with tax, such as 1176.00.");
            else if (amount > Bounds.Amount)
                Bad("amount", $"Give the amount with tax, at most {Exactly.Plain(Bounds.Amount)}.");
            if (!good)
                continue;
            var order = new OrderDocument(
                row.Line,
                Value("account"),
                Value("number"),
                date,
                Value("currency") is { Length: > 0 } currency ? currency : baseCurrency,
                amount,
                Value("delivery").Length > 0 ? [(delivery, amount)] : [],
                Value("reference")
            );
            var key = (order.Customer.ToUpperInvariant(), order.Number);
            if (places.TryAdd(key, orders.Count))
            {
                orders.Add(order);
                deliveries.Add([.. order.Deliveries]);
                continue;
            }

            var of = places[key];
            if (order.Deliveries.Count == 0 || deliveries[of].Count == 0)
                Bad(
                    "delivery",
                    "The order stands in another row too; rows of one order are its deliveries and need a date each."
                );
            else if (deliveries[of].Count == Bounds.Deliveries)
                Bad("delivery", $"An order has up to {Bounds.Deliveries} deliveries; this one has more.");
            else
            {
                deliveries[of].AddRange(order.Deliveries);
                orders[of] = orders[of] with { Total = orders[of].Total + order.Total };
            }
        }

        if (orders.Count + problems.Count == 0)
            throw new RefusedException("file", "The file has a header and no rows below it.");
        return ([.. orders.Select((order, i) => order with { Deliveries = deliveries[i] })], problems);
    }
}
