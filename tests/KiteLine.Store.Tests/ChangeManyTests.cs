using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

public sealed class ChangeManyTests : IDisposable
{
    private readonly TestBooks _t = new();

    public ChangeManyTests() =>
        _t.Write(tx =>
        {
            foreach (var name in new[] { "Oxbow", "Tarn", "Greywater" })
                AccountStore.Open(tx, new(name, Terms: "n/30", Owner: "Ada"));
            return 0;
        });

    public void Dispose() => _t.Dispose();

    private ManyChange Apply(string field, string value, params string[] codes) =>
        _t.Write(tx => ChangeManyDesk.Apply(tx, codes, field, value, "tidied"));

    private string[] Terms() =>
        _t.Books.Read(c =>
            new[] { "OXB01", "TAR01", "GRE01" }.Select(code => AccountStore.Get(c, code).Terms).ToArray()
        );

    [Fact]
    public void One_value_goes_to_all_and_comes_back_as_one()
    {
        var made = Apply("terms", "2/10 n/30", "OXB01", "TAR01", "PEL01");
        made.Changed.Select(c => $"{c.Code} {c.Before} {c.After}")
            .ShouldBe(["OXB01 n/30 2/10 n/30", "TAR01 n/30 2/10 n/30"]);
        made.Unchanged.ShouldBe(1);
        Terms().ShouldBe(["2/10 n/30", "2/10 n/30", "n/30"]);
        var (undone, left) = _t.Write(tx => ChangeManyDesk.Undo(tx, made.BatchId));
        (undone.Changed.Count, left.Count).ShouldBe((2, 0));
        Terms().ShouldBe(["n/30", "n/30", "n/30"]);
        Should
            .Throw<RefusedException>(() => _t.Write(tx => ChangeManyDesk.Undo(tx, made.BatchId)))
            .Message.ShouldContain("undone already");
        _t.Books.Read(ChangeManyDesk.Made).ShouldHaveSingleItem().UndoneBy.ShouldBe("tester");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void What_was_changed_since_is_left_as_it_is()
    {
        var made = Apply("owner", "Bram", "OXB01", "TAR01");
        _t.Write(tx =>
            AccountStore.Change(tx, AccountStore.Get(tx.Connection, "TAR01") with { Owner = "Cleo" }, "moved")
        );
        var (undone, left) = _t.Write(tx => ChangeManyDesk.Undo(tx, made.BatchId));
        undone.Changed.ShouldHaveSingleItem().Code.ShouldBe("OXB01");
        left.ShouldHaveSingleItem().Before.ShouldBe("Cleo");
        _t.Books.Read(c => AccountStore.Get(c, "TAR01")).Owner.ShouldBe("Cleo");
    }

    [Theory]
    [InlineData("terms", "2/40 n/30", "value")]
    [InlineData("lateChargePolicy", "NONE", "value")]
    [InlineData("delivery", "pigeon", "value")]
    [InlineData("responses.overLimit", "shrug", "value")]
    [InlineData("paymentMethod", "SHELLS", "value")]
    [InlineData("limit", "-1", "value")]
    [InlineData("limit", "much", "value")]
    [InlineData("colour", "red", "field")]
    public void A_value_that_does_not_fit_changes_nothing(string field, string value, string wrong)
    {
        Should.Throw<RefusedException>(() => Apply(field, value, "OXB01", "TAR01")).Problems[0].Field.ShouldBe(wrong);
        Terms().ShouldBe(["n/30", "n/30", "n/30"]);
        _t.Books.Read(ChangeManyDesk.Made).ShouldBeEmpty();
    }

    [Fact]
    public void Every_field_can_be_read_changed_and_undone()
    {
        _t.Write(tx =>
        {
            var stored = CompanyStore.Get(tx.Connection);
            PolicyStore.Save(
                tx,
                PolicyKind.TaxCode,
                "TAX",
                "Tax",
                new TaxCode { Rates = [new(new(2020, 1, 1), 20, [new("Office", 20)])] },
                0
            );
            return CompanyStore.Change(
                tx,
                stored.Settings with
                {
                    CustomerFields = [new("region", "Region", CustomerFieldKind.Text)],
                    ControlGroups = [new("HOME", "Home", "1101")],
                },
                stored.Version
            );
        });
        string Value(string key) =>
            key switch
            {
                "terms" => "n/14",
                "lateChargePolicy" => "STD",
                "reminderPlan" => "PLAN",
                "taxCode" => "TAX",
                "controlGroup" => "HOME",
                "paymentMethod" => "CARD",
                "delivery" => "email",
                "language" => "de",
                "limit" => "2500.00",
                _ when key.StartsWith("responses.", StringComparison.Ordinal) => key.EndsWith(
                    "overLimit",
                    StringComparison.Ordinal
                ) || key.EndsWith("onStop", StringComparison.Ordinal)
                    ? "tell"
                    : "refuse",
                _ => "New value",
            };
        var before = _t.Books.Read(c => AccountStore.Get(c, "OXB01"));
        var batches = AccountField
            .All(_t.Books.Read(CompanyStore.Settings))
            .Select(f => Apply(f.Key, Value(f.Key), "OXB01"))
            .ToList();
        batches.ShouldAllBe(b => b.Changed.Count == 1);
        batches.ForEach(b => _t.Write(tx => ChangeManyDesk.Undo(tx, b.BatchId)));
        var after = _t.Books.Read(c => AccountStore.Get(c, "OXB01"));
        _t.Books.Read(c => LimitStore.History(c, LimitHolder.Of(after)))
            .Where(e => e.Kind == LimitEventKind.Limit)
            .Select(e => $"{e.Amount}")
            .ShouldBe(["1000.00", "2500.00", "1000.00"]);
        (after with { Version = before.Version }).ShouldBeEquivalentTo(before);
    }
}
