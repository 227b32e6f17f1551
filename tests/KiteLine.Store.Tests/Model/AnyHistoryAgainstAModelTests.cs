using Dapper;
using KiteLine.Core;
using KiteLine.Formats;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests.Model;

/// <summary>
/// Histories of several accounts: back-dated receipts, credit notes, set-offs, part payments, slips, moves, amendments,
/// disputes, promises, charges, runs and reminders, and reversals of each, in several currencies and both rounding rules;
/// after every step the product's figures of today and of past days are those of the model.
/// </summary>
public sealed partial class AnyHistoryAgainstAModelTests(DeedsDone done) : IClassFixture<DeedsDone>, IDisposable
{
    private const int Steps = 90;
    private static readonly string[] Codes = ["AAA01", "BBB01", "CCC01"];
    private static readonly Actor Manager = new("M. Anager", Role.Manager, Authority.Unbounded);
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-model");
    private readonly Dictionary<string, int> _done = [];
    private Books _books = null!;
    private ItemStore _items = null!;
    private AccountLedgers _ledgers = null!;
    private BookModel[] _models = null!;
    private int _at;
    private Random _random = null!;
    private Currency _currency = null!;
    private DateOnly _today = new(2026, 1, 5);
    private int _deed;
    private bool _add;

    public void Dispose()
    {
        _books?.Dispose();
        _folder.Delete(recursive: true);
    }

    // Fees are laid down in the base currency. An account in yen is kept by a company in pounds, one yen 0.005 of a
    // pound: 5.00 are 1,000 yen.
    private long[] Fees => _currency.Code == "JPY" ? [1000, 2000, 2400] : [500, 1000, 1200];

    // What happens next happens on this account.
    private BookModel Model => _models[_at];

    private Account Account => _books.Read(c => AccountStore.Get(c, Codes[_at]));

    private AccountLedger Ledger => _books.Read(c => _ledgers.Of(c, Account));

    private BooksRules RulesNow => _books.Read(c => Rules.Of(c, _today));

    private Money Minor(long minor) => Money.FromMinor(minor, _currency);

    public static TheoryData<int, string, RoundingRule, int, int> Histories
    {
        get
        {
            var data = new TheoryData<int, string, RoundingRule, int, int>();
            for (var seed = 1; seed <= DeedsDone.Histories; seed++)
                data.Add(
                    seed,
                    seed % 3 == 0 ? "JPY"
                        : seed % 3 == 1 ? "GBP"
                        : "KWD",
                    seed % 2 == 0 ? RoundingRule.HalfToEven : RoundingRule.HalfAwayFromZero,
                    seed % 4 == 0 ? 0 : 20,
                    seed % 5
                );
            return data;
        }
    }

    [Theory]
    [MemberData(nameof(Histories))]
    public void Every_figure_is_that_of_the_model(int seed, string currency, RoundingRule rounding, int tax, int wait)
    {
        Begin(seed, currency, rounding, tax, wait);
        using var watch = new SqliteConnection(
            $"Data Source={Path.Combine(_folder.FullName, "books.db")};Pooling=False"
        );
        watch.Open();
        // Rises with each commit of anybody else.
        long Commits() => watch.ExecuteScalar<long>("PRAGMA data_version");
        for (var step = 0; step < Steps; step++)
        {
            if (_random.Next(4) == 0)
                Forward(_random.Next(1, 5));
            _at = _random.Next(Codes.Length);
            var (what, act) = Choose();
            var (before, commits) = (All(), Commits());
            try
            {
                act();
                _done[what] = _done.GetValueOrDefault(what) + 1;
            }
            catch (RefusedException)
            {
                All().ShouldBe(before, $"seed {seed}, step {step}: {what} was refused and changed the model");
                Commits().ShouldBe(commits, $"seed {seed}, step {step}: {what} was refused and changed the books");
            }

            // The account of the deed on several days, the others of which it must not touch anything today.
            var of = _at;
            for (_at = 0; _at < Codes.Length; _at++)
                Compare(
                    $"seed {seed}, step {step}, {what}, {Codes[_at]}",
                    _at == of || step % 10 == 0
                        ? [_today, Back(10), Back(40), _today.AddDays(_random.Next(1, 10))]
                        : [_today]
                );
            if (what is "slip" or "reverse" or "move" or "move back" || step % 10 == 0)
                CompareSlips($"seed {seed}, step {step}, {what}");
        }

        _books.Read(Verifier.Check).ShouldBeEmpty();
        done.Add(_done);
    }

    private string All() => string.Join('\n', _models.Select(m => m.ToString()));

    // The business date of the books moves on: runs post by it.
    private void Forward(int days)
    {
        _today = _today.AddDays(days);
        _books.Write(
            Manager,
            tx =>
            {
                var company = CompanyStore.Get(tx.Connection);
                return CompanyStore.Change(
                    tx,
                    company.Settings with
                    {
                        PinnedBusinessDate = _today,
                    },
                    company.Version,
                    "a day later"
                );
            }
        );
    }

    private void Begin(int seed, string currency, RoundingRule rounding, int tax, int wait)
    {
        (_random, _currency) = (new Random(seed), Currency.Of(currency));
        _add = seed % 2 == 1;
        _models = [.. Codes.Select(_ => new BookModel(rounding == RoundingRule.HalfToEven, tax, wait, 4))];
        _books = Books.Open(Path.Combine(_folder.FullName, "books.db"));
        _items = new(new VersionCache());
        _ledgers = new(_items);
        decimal Major(long minor) => currency == "JPY" ? minor / 200m : Minor(minor).Amount;
        ReminderLevel Level(int n, Treatment fee) =>
            new()
            {
                DaysAfterDue = 4 * n,
                DaysSincePrevious = n == 1 ? 0 : 3,
                Fee = new ReminderFee.PerLetter(Major(Fees[n - 1])),
                FeeTreatment = fee,
                AddEarlierFees = _add,
                LateCharge = Treatment.Show,
                Texts = [new("", "Reminder")],
            };
        _books.Write(
            Manager,
            tx =>
            {
                tx.ActingOn = _today;
                CompanyStore.Create(
                    tx,
                    new CompanySettings
                    {
                        Name = "Model Rope",
                        BaseCurrency = currency == "JPY" ? "GBP" : currency,
                        OldestRate = 366,
                        Rounding = rounding,
                        PinnedBusinessDate = _today,
                        Allowance = ShortPayAllowance.None,
                        PaymentMethods =
                        [
                            new("TRANSFER", "Bank transfer"),
                            new("CHEQUE", "Cheque", 5) { ByHand = true },
                        ],
                        Exposure = new(UnclearedCount: true),
                    }
                );
                if (currency == "JPY")
                    RateStore.Add(tx, [new(_currency, _today.AddDays(-60), 0.005m)]);
                if (tax > 0)
                    PolicyStore.Save(
                        tx,
                        PolicyKind.TaxCode,
                        "TAX",
                        "Tax",
                        new TaxCode { Rates = [new(new(2020, 1, 1), tax, [new("Office", tax)])] },
                        0
                    );
                PolicyStore.Save(
                    tx,
                    PolicyKind.LateCharge,
                    "STD",
                    "Standard",
                    new LateChargePolicy
                    {
                        Rates = [new(new(2020, 1, 1), 10), new(new(2026, 2, 1), 12)],
                        DayCount = DayCount.Of("act/365f"),
                        WaitDays = wait,
                        TaxCode = tax > 0 ? "TAX" : "",
                    },
                    0
                );
                PolicyStore.Save(
                    tx,
                    PolicyKind.ReminderPlan,
                    "PLAN",
                    "Plan",
                    new ReminderPlan
                    {
                        Levels = [Level(1, Treatment.Show), Level(2, Treatment.Show), Level(3, Treatment.Post)],
                    },
                    0
                );
                OwnAccountStore.Add(tx, "OWN-1", currency, "TRANSFER");
                foreach (var code in Codes)
                    AccountStore.Open(
                        tx,
                        new(
                            code,
                            Code: code,
                            Currency: _currency,
                            Limit: 5000,
                            LateChargePolicy: "STD",
                            ReminderPlan: "PLAN"
                        )
                    );
                return 0;
            }
        );
    }

    private (string What, Action Act) Choose() =>
        _random.Next(31) switch
        {
            < 5 => ("invoice", Invoice),
            < 10 => ("receipt", Receipt),
            < 12 => ("reverse", Reverse),
            12 => ("credit note", CreditNote),
            < 15 => ("set-off", SetOff),
            15 => ("charge", Charge),
            16 => ("letter", Remind),
            17 => ("dispute", Dispute),
            18 => ("promise", Promise),
            19 => ("reverse charge", ReverseCharge),
            20 => ("reverse credit note", () => ReverseDocument('C')),
            21 => ("reverse invoice", () => ReverseDocument('I')),
            22 => ("reverse set-off", ReverseSetOff),
            < 25 => ("move", Move),
            25 => ("move back", MoveBack),
            26 => ("run", RunOfAll),
            27 => ("reverse run", ReverseRun),
            28 => ("slip", Slip),
            29 => ("amend", Amend),
            _ => ("reverse amendment", ReverseAmendment),
        };

    private T As<T>(Func<Tx, T> act) =>
        _books.Write(
            Manager,
            tx =>
            {
                tx.ActingOn = _today;
                return act(tx);
            }
        );

    private void Compare(string at, DateOnly[] days)
    {
        var (ledger, rules) = (Ledger, RulesNow);
        foreach (var day in days)
        {
            var where = $"{at}, on {day:yyyy-MM-dd} of {_today:yyyy-MM-dd}\n{Model}";
            foreach (var d in Model.Documents)
            {
                var item = ledger.Items.Single(i => i.Document == d.Number);
                (item.OpenByValue(day).Minor, item.OpenAsShown(day).Minor).ShouldBe(
                    (d.ByValue(day), d.AsShown(day)),
                    $"{d.Number} {where}"
                );
            }

            var settle = ToSettle.For(ledger, day, rules);
            // Of a day to come it is as things stand today, moved forward.
            (settle.Open.Minor, settle.Discount.Minor, settle.LateCharges.Minor, settle.Fees.Minor).ShouldBe(
                Model.ToSettle(day),
                where
            );
            if (day > _today)
                continue;
            var position = _books.Read(c => Rules.Position(c, Account, day));
            (position.Exposure, position.Overdue, position.Disputed).ShouldBe(Model.Position(day), where);
            (position.Promise?.State.ToString() ?? "").ShouldBe(Model.PromiseOn(day), where);
        }

        var receivable = _books.Read(c =>
            c.ExecuteScalar<long>("SELECT coalesce(sum(amount), 0) FROM journal_line WHERE purpose IN (0, 1)")
        );
        receivable.ShouldBe(_models.Sum(m => m.Documents.Sum(d => d.Left)), at);
    }
}
