using System.Text.Json.Nodes;
using Dapper;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Customers with their limits and states, as they are exported and brought in.</summary>
internal static class CustomerExchange
{
    internal static ExchangeKind Kind { get; } = new("customers", Export, Import);

    // A large book is not held in memory as records.
    private const int AtOnce = 1000;

    private static IEnumerable<JsonNode> Export(SqliteConnection connection, Desk desk)
    {
        var today = desk.Today(CompanyStore.Settings(connection));
        var accounts = connection.Query<Account>(
            "SELECT * FROM account /* the whole book */ ORDER BY code",
            buffered: false
        );
        foreach (var some in accounts.Chunk(AtOnce))
        {
            var standing = BookLoader.Standing(connection, [.. some.Select(a => a.Id)]).ToDictionary(a => a.Id);
            foreach (var account in some)
                yield return Record(account, standing[account.Id], today);
        }
    }

    private static ExchangedRecord Import(Tx tx, JsonObject given, Desk desk, string reason)
    {
        var settings = CompanyStore.Settings(tx.Connection);
        var today = desk.Today(settings);
        var fields = new Fields();
        var shape = ExchangeJson.Read<CustomerShape>(given);
        var code = shape.Code?.Trim() ?? "";
        if (AccountStore.Find(tx.Connection, code) is not { } before)
            return new(null, Open(tx, shape, given, fields, today));
        if (shape.Currency is { Length: > 0 } currency && currency != before.Currency.Code)
            fields.Bad(
                "currency",
                $"The account is kept in {before.Currency.Code}; open another account for another currency."
            );
        var wanted = shape.Onto(before, fields);
        var standing = Standing(tx.Connection, before);
        var was = Record(before, standing, today);
        var limit = Text(given, "limit") is { Length: > 0 } text
            ? fields.Money("limit", text, before.Currency)
            : (Money?)null;
        var state = fields.Choice("state", Text(given, "state"), (AccountState?)StateChange.On(standing.States, today));
        fields.ThrowIfAny();
        if (
            ExchangeJson.Write(CustomerShape.Of(wanted)).ToJsonString()
            != ExchangeJson.Write(CustomerShape.Of(before)).ToJsonString()
        )
            AccountStore.Change(tx, wanted, reason);
        if (limit is { } amount && amount.Minor != StandingLimit(standing, today))
            LimitStore.Change(tx, before, amount, today, reason);
        if (state != StateChange.On(standing.States, today))
            LimitStore.ChangeState(tx, before, state, today, reason);
        var after = AccountStore.Get(tx.Connection, code);
        return new(was, Record(after, Standing(tx.Connection, after), today));
    }

    private static JsonObject Open(Tx tx, CustomerShape shape, JsonObject given, Fields fields, DateOnly today)
    {
        var settings = CompanyStore.Settings(tx.Connection);
        var defaults = settings.Defaults;
        var name = fields.Text("name", shape.Name, "the customer's name");
        var currency = string.IsNullOrWhiteSpace(shape.Currency) ? null : fields.Currency("currency", shape.Currency);
        var limit = fields.OptionalNumber("limit", Text(given, "limit"), 0, Bounds.Amount, "a limit such as 5000.00");
        var state = fields.Choice("state", Text(given, "state"), (AccountState?)AccountState.Open);
        // Empty cells of a new customer are the company's defaults, as they are on the screen.
        string? Default(string? value) => string.IsNullOrWhiteSpace(value) ? null : value;
        var record = (shape with { Name = null, Terms = Default(shape.Terms) }).Onto(
            new Account
            {
                Name = name,
                Terms = defaults.Terms,
                Profile = AccountStore.ProfileOf(defaults),
            },
            fields
        );
        fields.ThrowIfAny();
        var opened = AccountStore.Open(
            tx,
            new(
                name,
                Default(shape.Code),
                currency,
                record.Terms,
                limit,
                Default(shape.LateChargePolicy),
                Default(shape.ReminderPlan),
                state,
                record.GroupName,
                record.Owner,
                record.Email,
                record.Address,
                Default(shape.TaxCode),
                record.Profile
            )
        );
        return Record(opened, Standing(tx.Connection, opened), today);
    }

    private static BookAccount Standing(SqliteConnection connection, Account account) =>
        BookLoader.Standing(connection, [account.Id])[0];

    private static JsonObject Record(Account account, BookAccount standing, DateOnly today)
    {
        var record = ExchangeJson.Write(CustomerShape.Of(account));
        record["limit"] = Money.FromMinor(StandingLimit(standing, today), account.Currency).ToString();
        record["state"] = Fields.Name(StateChange.On(standing.States, today));
        return record;
    }

    private static long StandingLimit(BookAccount account, DateOnly today) =>
        LimitStanding.On(account.Limits, account.Uplifts, today).Standing;

    private static string? Text(JsonObject record, string name) => record[name]?.ToString();
}
