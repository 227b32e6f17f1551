using Dapper;
using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Brings orders in from files. Each is checked with those before it in the books.</summary>
internal static class OrderFiles
{
    internal static async Task<IResult> Import(
        string? format,
        bool? preview,
        bool? acceptGood,
        Desk desk,
        HttpContext context
    )
    {
        var content = await Body.ReadAsync(context.Request, Bounds.DocumentFile, "file");
        var (orders, problems) = (format ?? "csv") switch
        {
            "csv" => OrderCsv.Read(content, desk.Snapshots.Current.Settings.BaseCurrency),
            "ubl" => ([UblOrder.Read(content)], []),
            _ => throw new RefusedException("format", "Choose csv or ubl."),
        };
        var source = format ?? "csv";
        if (preview is true)
            return Results.Ok(desk.Books.Read(c => Tried(c, orders, problems, source, desk.Rules(c))));
        return Results.Ok(
            desk.Write(
                context,
                tx =>
                {
                    // What is stored is what a preview would have shown.
                    var tried = Tried(tx.Connection, orders, problems, source, tx.Rules());
                    return tried.Approved + tried.Held == 0 || (tried.Refused > 0 && acceptGood is not true)
                        ? tried
                        : Taken(tx, orders, problems, source) with
                        {
                            Stored = true,
                        };
                }
            )
        );
    }

    private static OrderFileResult Tried(
        SqliteConnection connection,
        IReadOnlyList<OrderDocument> orders,
        IReadOnlyList<RowProblem> problems,
        string source,
        BooksRules rules
    ) => Decided(connection, orders, problems, source, rules, _ => { });

    private static OrderFileResult Taken(
        Tx tx,
        IReadOnlyList<OrderDocument> orders,
        IReadOnlyList<RowProblem> problems,
        string source
    ) => Decided(tx.Connection, orders, problems, source, tx.Rules(), decision => OrderDesk.Carry(tx, decision));

    // Each is checked as if those before it were in the books.
    private static OrderFileResult Decided(
        SqliteConnection connection,
        IReadOnlyList<OrderDocument> orders,
        IReadOnlyList<RowProblem> problems,
        string source,
        BooksRules rules,
        Action<OrderDesk.Decision> carry
    )
    {
        var book = new CheckBook(connection, rules.Today);
        return Result(
            problems,
            orders.Select(order =>
                Row(
                    order,
                    () =>
                    {
                        var decision = OrderDesk.Enter(
                            connection,
                            AccountOf(connection, order.Customer),
                            Read(order, source),
                            rules,
                            book
                        );
                        carry(decision);
                        return decision;
                    }
                )
            )
        );
    }

    private static OrderFileResult Result(IReadOnlyList<RowProblem> problems, IEnumerable<OrderFileRow> orders)
    {
        List<OrderFileRow> rows =
        [
            .. problems.Select(p => new OrderFileRow(
                p.Row,
                "",
                "",
                OrderFileOutcome.Refused,
                null,
                [new(p.Column, p.Reason)]
            )),
            .. orders,
        ];
        return new(
            false,
            rows.Count(r => r.Outcome == OrderFileOutcome.Approved),
            rows.Count(r => r.Outcome == OrderFileOutcome.Held),
            rows.Count(r => r.Outcome == OrderFileOutcome.Refused),
            [.. rows.OrderBy(r => r.Row).Take(500)]
        );
    }

    // An order is decided on before anything of it is written, so one that is refused leaves nothing behind.
    private static OrderFileRow Row(OrderDocument order, Func<OrderDesk.Decision> take)
    {
        try
        {
            var decision = take();
            return new(
                order.Row,
                decision.Account.Code,
                order.Number,
                decision.Kind == OrderStepKind.Held ? OrderFileOutcome.Held : OrderFileOutcome.Approved,
                decision.Check is { } check ? CheckView.Of(check) : null,
                []
            );
        }
        catch (RefusedException e)
        {
            return new(
                order.Row,
                order.Customer,
                order.Number,
                OrderFileOutcome.Refused,
                null,
                [.. e.Problems.Select(p => new ExchangeProblem(p.Field, p.Message))]
            );
        }
    }

    private static NewOrder Read(OrderDocument order, string source)
    {
        if (!Currency.TryOf(order.Currency, out var currency))
            throw new RefusedException("currency", $"‘{order.Currency}’ is no ISO 4217 currency code.");
        Money Exact(decimal amount) =>
            amount is < 0 or > Bounds.Amount
                ? throw new RefusedException(
                    "amount",
                    $"The amount {Exactly.Plain(amount)} lies outside of 0 to {Exactly.Plain(Bounds.Amount)}."
                )
            : currency.Fits(amount) ? Money.Exact(amount, currency)
            : throw new RefusedException("amount", $"{amount} has more decimals than {currency.Code} allows.");
        return new(
            order.Number,
            order.Date,
            Exact(order.Total),
            [.. order.Deliveries.Select(d => new OrderDelivery(d.On, Exact(d.Amount).Minor))],
            order.Reference,
            source
        );
    }

    // By code, by an identifier of the record, or by the exact name where only one bears it.
    private static Account AccountOf(SqliteConnection connection, string customer)
    {
        if (AccountStore.Find(connection, customer) is { } byCode)
            return byCode;
        var plain = TaxIdentifier.Plain(customer);
        var codes = connection
            .Query<string>(
                """
                SELECT a.code FROM account_identifier i JOIN account a ON a.id = i.account_id WHERE i.number = @plain
                UNION SELECT code FROM account WHERE name = @customer COLLATE NOCASE LIMIT 2
                """,
                new { plain, customer }
            )
            .ToArray();
        return codes.Length switch
        {
            1 => AccountStore.Get(connection, codes[0]),
            0 => throw new RefusedException(
                "account",
                $"There is no account with the code, identifier or name ‘{customer}’."
            ),
            _ => throw new RefusedException(
                "account",
                $"More than one account is known as ‘{customer}’; name its code."
            ),
        };
    }
}
