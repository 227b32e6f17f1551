using Dapper;
using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What became of an order of a file: <c>approved</c>, <c>held</c> or <c>refused</c>.</summary>
internal sealed record OrderFileRow(long Row, string Account, string Number, string Outcome, CheckView? Check, IReadOnlyList<ExchangeProblem> Problems);

internal sealed record OrderFileResult(bool Stored, int Approved, int Held, int Refused, IReadOnlyList<OrderFileRow> Rows);

/// <summary>Brings orders in from files. Each is checked with those before it in the books.</summary>
internal static class OrderFiles
{
    private const int LargestFile = 16 * 1024 * 1024;

    internal static async Task<IResult> Import(string? format, bool? preview, bool? acceptGood, Desk desk, HttpContext context)
    {
        var content = await Body.ReadAsync(context.Request, LargestFile, "file");
        var (orders, problems) = (format ?? "csv") switch
        {
            "csv" => OrderCsv.Read(content, desk.Snapshots.Current.Settings.BaseCurrency),
            "ubl" => ([UblOrder.Read(content)], []),
            _ => throw new RefusedException("format", "Choose csv or ubl."),
        };
        // Never more than one way: what is shown is what would be stored.
        var tried = desk.Books.Rehearse(context.Who(), tx => Take(tx, orders, problems, format ?? "csv"));
        if (preview is true || tried.Approved + tried.Held == 0 || (tried.Refused > 0 && acceptGood is not true)) return Results.Ok(tried);
        return Results.Ok(desk.Books.Write(context.Who(), tx => Take(tx, orders, problems, format ?? "csv")) with { Stored = true });
    }

    private static OrderFileResult Take(Tx tx, IReadOnlyList<OrderDocument> orders, IReadOnlyList<RowProblem> problems, string source)
    {
        var rows = problems.Select(p => new OrderFileRow(p.Row, "", "", "refused", null, [new(p.Column, p.Reason)])).ToList();
        foreach (var order in orders) rows.Add(One(tx, order, source));
        return new(false, rows.Count(r => r.Outcome == "approved"), rows.Count(r => r.Outcome == "held"), rows.Count(r => r.Outcome == "refused"), [.. rows.OrderBy(r => r.Row).Take(500)]);
    }

    private static OrderFileRow One(Tx tx, OrderDocument order, string source)
    {
        tx.Connection.Execute("SAVEPOINT one_order");
        try
        {
            var account = AccountOf(tx, order.Customer);
            if (!Currency.TryOf(order.Currency, out var currency)) throw new RefusedException("currency", $"‘{order.Currency}’ is no ISO 4217 currency code.");
            Money Exact(decimal amount) => amount == currency.Round(amount) ? Money.Exact(amount, currency) : throw new RefusedException("amount", $"{amount} has more decimals than {currency.Code} allows.");
            var outcome = OrderDesk.Enter(tx, account, new(order.Number, order.Date, Exact(order.Total), [.. order.Deliveries.Select(d => new OrderDelivery(d.On, Exact(d.Amount).Minor))], order.Reference, source));
            tx.Connection.Execute("RELEASE one_order");
            return new(order.Row, account.Code, order.Number, outcome.Order.Last.Kind == OrderStepKind.Held ? "held" : "approved", outcome.Check is null ? null : CheckView.Of(outcome.Check), []);
        }
        catch (RefusedException e)
        {
            tx.Connection.Execute("ROLLBACK TO one_order; RELEASE one_order");
            return new(order.Row, order.Customer, order.Number, "refused", null, [.. e.Problems.Select(p => new ExchangeProblem(p.Field, p.Message))]);
        }
    }

    // By code, by an identifier of the record, or by the exact name where only one bears it.
    private static Account AccountOf(Tx tx, string customer)
    {
        if (AccountStore.Find(tx.Connection, customer) is { } byCode) return byCode;
        var plain = TaxIdentifier.Plain(customer);
        var codes = tx.Connection.Query<string>(
            """
            SELECT a.code FROM account_identifier i JOIN account a ON a.id = i.account_id WHERE i.number = @plain
            UNION SELECT code FROM account WHERE name = @customer COLLATE NOCASE LIMIT 2
            """, new { plain, customer }).ToArray();
        return codes.Length switch
        {
            1 => AccountStore.Get(tx.Connection, codes[0]),
            0 => throw new RefusedException("account", $"There is no account with the code, identifier or name ‘{customer}’."),
            _ => throw new RefusedException("account", $"More than one account is known as ‘{customer}’; name its code."),
        };
    }
}
