using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>What an import writes row by row is what is written of a customer that is opened by hand.</summary>
public sealed class OpeningImportTests : IDisposable
{
    private readonly TestBooks _t = new();

    public void Dispose() => _t.Dispose();

    private void Import(CustomerRow row) =>
        _t.Write(tx =>
        {
            using var import = new OpeningImport(
                tx,
                TestBooks.Today,
                p => throw new InvalidOperationException(p.Reason)
            );
            import.Customer("customers.csv", row).ShouldBeTrue();
            return import.Finish("tests").Count;
        });

    private List<IDictionary<string, object?>> Rows(string sql, string code) =>
        _t.Books.Read(c => c.Query(sql, new { code }).Cast<IDictionary<string, object?>>().ToList());

    [Theory]
    [InlineData(AccountState.Open)]
    [InlineData(AccountState.Watch)]
    [InlineData(AccountState.Stop)]
    public void An_imported_customer_is_the_same_as_one_opened_by_hand(AccountState state)
    {
        _t.Write(tx =>
            AccountStore.Open(
                tx,
                new(
                    "Osprey Voiles",
                    Code: "HAND",
                    Currency: Currency.Of("EUR"),
                    Terms: "n/14",
                    Limit: 1234.56m,
                    State: state,
                    LateChargePolicy: "STD",
                    ReminderPlan: "PLAN",
                    GroupName: "Windlass",
                    Email: "post@osprey.example"
                )
            )
        );
        Import(
            new(
                2,
                "FILE",
                "Osprey Voiles",
                Currency.Of("EUR"),
                "n/14",
                1234.56m,
                "STD",
                "PLAN",
                state,
                "windlass",
                "post@osprey.example"
            )
        );
        var account =
            "SELECT name, currency, terms, late_charge_policy, reminder_plan, tax_code, group_name, owner, email, "
            + "address, profile, version FROM account WHERE code = @code";
        Rows(account, "FILE").ShouldHaveSingleItem().ShouldBe(Rows(account, "HAND").ShouldHaveSingleItem());
        foreach (
            var (table, columns) in new[]
            {
                (
                    "limit_change",
                    "group_id, from_date, amount, source, insured, security, security_amount, review_on, "
                        + "recorded_on, reason, made_by"
                ),
                ("state_change", "from_date, state, reason, made_by"),
            }
        )
        {
            var sql = $"SELECT {columns} FROM {table} WHERE account_id = (SELECT id FROM account WHERE code = @code)";
            var (byFile, byHand) = (Rows(sql, "FILE"), Rows(sql, "HAND"));
            byFile.Count.ShouldBe(byHand.Count);
            foreach (var (file, hand) in byFile.Zip(byHand))
                file.ShouldBe(hand, table);
        }

        var positions = _t
            .Books.Read(c => BookLoader.Load(_t.Books, c))
            .Where(a => a.Code is "FILE" or "HAND")
            .Select(a => AccountPosition.On(a, TestBooks.Today, TestBooks.Positions))
            .ToList();
        positions.Count.ShouldBe(2);
        positions.ShouldAllBe(p => p.EffectiveLimit == 123_456 && p.State == state);
        _t.Off().ShouldBeEmpty();
    }
}
