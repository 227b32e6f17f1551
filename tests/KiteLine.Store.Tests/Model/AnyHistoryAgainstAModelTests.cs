using Dapper;
using KiteLine.Core;
using KiteLine.Formats;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests.Model;

/// <summary>
/// Histories of back-dated receipts, reversals, set-offs, disputes, promises, charges and reminders, in several
/// currencies and both rounding rules; after every step the product's figures of today and of past days are those of
/// the model.
/// </summary>
public sealed class AnyHistoryAgainstAModelTests : IDisposable
{
    private const int Steps = 90;
    private static readonly Actor Manager = new("M. Anager", Role.Manager, Authority.Unbounded);
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-model");
    private readonly Dictionary<string, int> _done = [];
    private Books _books = null!;
    private ItemStore _items = null!;
    private AccountLedgers _ledgers = null!;
    private BookModel _model = null!;
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

    private Account Account => _books.Read(c => AccountStore.Get(c, "AAA01"));

    private AccountLedger Ledger => _books.Read(c => _ledgers.Of(c, Account));

    private BooksRules RulesNow => _books.Read(c => Rules.Of(c, _today));

    private Money Minor(long minor) => Money.FromMinor(minor, _currency);

    public static TheoryData<int, string, RoundingRule, int, int> Histories
    {
        get
        {
            var data = new TheoryData<int, string, RoundingRule, int, int>();
            for (var seed = 1; seed <= 12; seed++)
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
            if (_random.Next(3) == 0)
                _today = _today.AddDays(_random.Next(1, 5));
            var (what, act) = Choose();
            var (before, commits) = (_model.ToString(), Commits());
            try
            {
                act();
                _done[what] = _done.GetValueOrDefault(what) + 1;
            }
            catch (RefusedException)
            {
                _model.ToString().ShouldBe(before, "a refusal changes nothing");
                Commits().ShouldBe(commits, $"seed {seed}, step {step}: {what} was refused and changed the books");
            }

            Compare($"seed {seed}, step {step}, {what}");
        }

        _books.Read(Verifier.Check).ShouldBeEmpty();
        // A history in which nothing happens proves nothing.
        foreach (
            var what in new[] { "invoice", "receipt", "reverse", "charge", "letter", "dispute", "promise", "set-off" }
        )
            _done.GetValueOrDefault(what).ShouldBeGreaterThan(0, what);
    }

    private void Begin(int seed, string currency, RoundingRule rounding, int tax, int wait)
    {
        (_random, _currency) = (new Random(seed), Currency.Of(currency));
        _add = seed % 2 == 1;
        _model = new(rounding == RoundingRule.HalfToEven, tax, wait, 4);
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
                return AccountStore.Open(
                    tx,
                    new(
                        "Aaa",
                        Code: "AAA01",
                        Currency: _currency,
                        Limit: 5000,
                        LateChargePolicy: "STD",
                        ReminderPlan: "PLAN"
                    )
                );
            }
        );
    }

    private (string What, Action Act) Choose() =>
        _random.Next(20) switch
        {
            < 4 => ("invoice", Invoice),
            < 8 => ("receipt", Receipt),
            < 10 => ("reverse", Reverse),
            10 => ("credit note", CreditNote),
            < 13 => ("set-off", SetOff),
            < 15 => ("charge", Charge),
            15 => ("letter", Remind),
            16 => ("dispute", Dispute),
            17 => ("promise", Promise),
            18 => ("reverse charge", ReverseCharge),
            _ => ("letter", Remind),
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

    private DateOnly Back(int most) => _today.AddDays(-_random.Next(most));

    private long IdOf(string number) =>
        _books.Read(c =>
            c.ExecuteScalar<long>(
                "SELECT i.id FROM item i JOIN document d ON d.id = i.document_id WHERE d.number = @number",
                new { number }
            )
        );

    private BookModel.Document? Any(List<BookModel.Document> of) => of.Count == 0 ? null : of[_random.Next(of.Count)];

    private BookModel.Document Add(
        string number,
        char kind,
        DateOnly date,
        DateOnly due,
        long minor,
        List<(DateOnly, long)>? discounts = null
    )
    {
        var document = new BookModel.Document
        {
            Number = number,
            Kind = kind,
            Date = date,
            Due = due,
            Discounts = discounts ?? [],
        };
        document.Changes.Add(new(date, _today, minor, _deed));
        _model.Documents.Add(document);
        return document;
    }

    private void Invoice()
    {
        var (text, steps, net) = _random.Next(3) switch
        {
            0 => ("n/14", Array.Empty<(int Percent, int Days)>(), 14),
            1 => ("2/10 n/21", [(2, 10)], 21),
            _ => ("3/7, 1/14 n/20", [(3, 7), (1, 14)], 20),
        };
        var (date, minor) = (Back(12), (long)_random.Next(1_000, 900_000));
        var posted = As(tx =>
        {
            var stored = PolicyStore.TermsByText(tx, text);
            return PostingStore.Post(
                tx,
                Account,
                InvoicePosting.Invoice(
                    null,
                    date,
                    new InvoiceAmounts(Minor(minor), Minor(0), Minor(0)),
                    stored.Definition.ToTerms(),
                    tx.Rules()
                ),
                stored.Id
            );
        });
        _deed++;
        Add(
            posted.Number!,
            'I',
            date,
            date.AddDays(net),
            minor,
            [
                .. steps.Select(s =>
                    (date.AddDays(s.Days), _model.Round((System.Numerics.BigInteger)minor * s.Percent, 100))
                ),
            ]
        );
    }

    private void CreditNote()
    {
        var (date, minor) = (Back(5), (long)_random.Next(1_000, 90_000));
        var posted = As(tx =>
            PostingStore.Post(
                tx,
                Account,
                InvoicePosting.CreditNote(null, date, new InvoiceAmounts(Minor(minor), Minor(0), Minor(0)), _today)
            )
        );
        _deed++;
        Add(posted.Number!, 'C', date, date, -minor);
    }

    private void Receipt()
    {
        var debits = _model.Documents.Where(d => d.Left > 0).ToList();
        var value = Back(25);
        var chosen = _random.Next(6) == 0 ? null : Any(debits);
        if (chosen is not null && value < chosen.Date)
            value = chosen.Date;
        var method = _random.Next(3) == 0 ? "CHEQUE" : "";
        var cash = chosen is null ? _random.Next(500, 50_000) : CashFor(chosen, value);
        if (cash <= 0)
            throw new RefusedException("cash", "nothing");
        var request = new PaymentRequest(
            value,
            Minor(cash).Amount,
            "ref",
            chosen is null ? new Dictionary<long, PaymentChoice>() : new() { [IdOf(chosen.Number)] = new() },
            Method: method
        );
        var posted = As(tx => new ReceiptDesk(_items).Post(tx, Account, request)).Posted;
        _deed++;
        var receipt = Add(posted.Number!, 'R', value, value, -cash);
        var days =
            _books.Read(CompanyStore.Settings).PaymentMethods.FirstOrDefault(m => m.Code == method)?.ClearingDays ?? 0;
        _model.Receipts.Add((receipt, _today, days > 0 ? value.AddDays(days) : DateOnly.MinValue, _deed, null));
        if (chosen is null)
            return;

        // By what was owed on the value date: settled in full; or short by no more than the discount in force; or the cash
        // lowers what is open. No more is settled than is open now.
        var (left, owed) = (chosen.Left, Math.Max(chosen.Left, chosen.ByValue(value)));
        var before = -chosen.Changes.Where(c => c.Discount).Sum(c => c.Minor);
        var discount = Math.Max(
            0,
            chosen.Discounts.Where(x => x.LastDay >= value).Select(x => x.Minor).DefaultIfEmpty(0).Max() - before
        );
        var given = cash < owed && owed - cash <= Math.Min(discount, owed) ? Math.Min(owed - cash, left) : 0;
        var used = Math.Min(cash, left - given);
        chosen.Changes.Add(new(value, _today, -used, _deed));
        if (given > 0)
            chosen.Changes.Add(new(value, _today, -given, _deed, Discount: true));
        receipt.Changes.Add(new(value, _today, used, _deed));
    }

    private long CashFor(BookModel.Document d, DateOnly value)
    {
        var discount = Math.Min(
            d.Left,
            d.Discounts.Where(x => x.LastDay >= value).Select(x => x.Minor).DefaultIfEmpty(0).Max()
        );
        return _random.Next(5) switch
        {
            0 => d.Left,
            1 => d.Left - discount,
            2 => d.Left - (discount / 2),
            3 => d.Left + _random.Next(1, 5_000),
            _ => Math.Max(1, d.Left * _random.Next(1, 95) / 100),
        };
    }

    private void SetOff()
    {
        if (
            Any(_model.Documents.Where(d => d.Left < 0 && d.Kind is 'C' or 'R' && d.Left < 0).ToList())
                is not { } credit
            || Any(_model.Documents.Where(d => d.Left > 0).ToList()) is not { } debit
        )
            throw new RefusedException("credit", "There is none.");
        var most = Math.Min(-credit.Left, debit.Left);
        var amount = _random.Next(2) == 0 ? most : Math.Max(1, most / 3);
        var value = new[] { credit.Date, debit.Date, Back(10) }.Max();
        As(tx =>
            new AllocationDesk(_items).Set(
                tx,
                Account,
                IdOf(credit.Number),
                [(IdOf(debit.Number), Minor(amount))],
                value
            )
        );
        _deed++;
        credit.Changes.Add(new(value, _today, amount, _deed));
        debit.Changes.Add(new(value, _today, -amount, _deed));
    }

    private void Reverse()
    {
        var entries = _books
            .Read(c =>
                c.Query<(long Id, string Number)>(
                    "SELECT e.id, d.number FROM entry e JOIN document d ON d.entry_id = e.id WHERE e.kind = 3 AND "
                        + "NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id)"
                )
            )
            .ToList();
        if (entries.Count == 0)
            throw new RefusedException("entry", "There is none.");
        var (id, number) = entries[_random.Next(entries.Count)];
        As(tx => ReversalDesk.Post(tx, id, "bounced"));
        var n = _model.Receipts.FindIndex(r => r.Document.Number == number);
        var receipt = _model.Receipts[n];
        Undo(receipt.Deed);
        _model.Receipts[n] = receipt with { Undone = _today };
    }

    // Everything that one deed moved goes back by the value dates it had, and is known from today on.
    private void Undo(int deed)
    {
        foreach (var d in _model.Documents)
        foreach (var c in d.Changes.Where(c => c.Deed == deed).ToList())
            d.Changes.Add(
                new(c.Value, _today, -c.Minor, d.Kind == 'R' && c == d.Changes[0] ? -1 : 1_000_000, c.Discount)
            );
    }

    private void Charge()
    {
        var through = Back(6);
        var lines = _model.Due(through, _today);
        var decision = default(ChargeDecision);
        var posted = As(tx =>
        {
            decision = new LateChargeDesk(_ledgers).Decide(tx.Connection, Account, through, [], tx.Rules());
            return LateChargeDesk.Post(tx, Account, decision);
        });
        decision!
            .Lines.Where(l => !l.Total.IsZero)
            .ToDictionary(l => l.Item.Document, l => l.Total.Minor)
            .ShouldBe(lines, ignoreOrder: true);
        _deed++;
        var net = lines.Values.Sum();
        var document = Add(posted.Number!, 'L', _today, _today, net + _model.Tax(net));
        _model.Charges.Add((document, _today, through, lines));
    }

    private void ReverseCharge()
    {
        if (_model.Charges.Count == 0)
            throw new RefusedException("entry", "There is none.");
        var last = _model.Charges[^1];
        var entry = _books.Read(c =>
            c.ExecuteScalar<long>("SELECT entry_id FROM document WHERE number = @Number", new { last.Document.Number })
        );
        As(tx => ReversalDesk.Post(tx, entry, "waived"));
        last.Document.Changes.Add(new(last.Document.Date, _today, -last.Document.Opened, 1_000_000));
        _model.Charges.RemoveAt(_model.Charges.Count - 1);
    }

    private void Remind()
    {
        var next = _model.NextLetter(_today, Fees);
        var proposal = ReminderProposal.For(Ledger, _today, RulesNow);
        if (next is not { } letter)
        {
            proposal.Level.ShouldBe(0, proposal.LeftOut);
            throw new RefusedException("date", "None goes out.");
        }

        proposal.Level.ShouldBe(letter.Level, proposal.LeftOut);
        proposal.Items.ToDictionary(i => i.Item.Document, i => i.Open.Minor).ShouldBe(letter.Asked, ignoreOrder: true);
        proposal
            .Items.Where(i => i.Moves)
            .ToDictionary(i => i.Item.Document, i => i.Level)
            .ShouldBe(letter.Moving, ignoreOrder: true);
        proposal.OwnFee.Minor.ShouldBe(letter.Fee);
        // The letter asks for what is to settle on its items: their charges with tax, and each fee once.
        var net = _model.Due(_today, _today).Where(l => letter.Asked.ContainsKey(l.Key)).Sum(l => l.Value);
        proposal.LateCharge.Minor.ShouldBe(net + _model.Tax(net));
        var replaces = letter.Level < 3 && !_add;
        var earlier = _model
            .Shown(_today)
            .Where(l =>
                l.Levels.Keys.Any(letter.Asked.ContainsKey)
                && !(replaces && l.Levels.Keys.Any(letter.Moving.ContainsKey))
            )
            .Sum(l => l.Fee);
        proposal.EarlierFees.Minor.ShouldBe(earlier);

        var number = As(tx => new ReminderDesk(_ledgers, LetterPdf.Render).Post(tx, Account, _today)).Number;
        _deed++;
        var posts = letter.Level == 3;
        _model.Letters.Add(new(number, _today, letter.Fee, posts, !_add, letter.Moving, _deed));
        if (posts)
        {
            var numbered = _books.Read(c =>
                c.ExecuteScalar<string>("SELECT number FROM document WHERE kind = 4 ORDER BY id DESC LIMIT 1")
            )!;
            Add(numbered, 'F', _today, _today.AddDays(7), letter.Fee);
        }
    }

    private void Dispute()
    {
        if (_model.Claims.FirstOrDefault(c => c.Settled is null) is { } open && _random.Next(2) == 0)
        {
            As(tx =>
            {
                DisputeStore.Settle(
                    tx,
                    Account,
                    DisputeStore
                        .Of(tx.Connection, Account)
                        .First(d => d.SettledOn is null && d.ItemId == IdOf(open.Of.Number))
                        .Id,
                    "agreed",
                    againstCustomer: false
                );
                return 0;
            });
            open.Settled = _today;
            return;
        }

        if (
            Any(_model.Documents.Where(d => d.Kind == 'I' && d.AsShown(_today) > 0 && d.Left > 1).ToList())
            is not { } of
        )
            throw new RefusedException("item", "There is none.");
        var minor = Math.Max(1, of.Left * _random.Next(1, 101) / 100);
        As(tx =>
        {
            DisputeStore.Raise(tx, Account, IdOf(of.Number), Minor(minor), "", "came short");
            return 0;
        });
        _model.Claims.Add(new(of, minor, _today));
    }

    private void Promise()
    {
        if (_model.Promises.LastOrDefault(p => p.Withdrawn is null) is { } last && _random.Next(3) == 0)
        {
            As(tx =>
            {
                PromiseStore.Withdraw(
                    tx,
                    Account,
                    tx.Connection.ExecuteScalar<long>(
                        "SELECT max(id) FROM promise p WHERE NOT EXISTS (SELECT 1 FROM promise_withdrawn w WHERE "
                            + "w.promise_id = p.id)"
                    ),
                    "noted twice"
                );
                return 0;
            });
            last.Withdrawn = _today;
            return;
        }

        var (minor, due) = ((long)_random.Next(1_000, 200_000), _today.AddDays(_random.Next(0, 6)));
        As(tx =>
        {
            PromiseStore.Add(tx, Account, Minor(minor), due, "", "");
            return 0;
        });
        _model.Promises.Add(new(_today, due, minor));
    }

    private void Compare(string at)
    {
        var (ledger, rules) = (Ledger, RulesNow);
        DateOnly[] days = [_today, Back(10), Back(40), _today.AddDays(_random.Next(1, 10))];
        foreach (var day in days)
        {
            var where = $"{at}, on {day:yyyy-MM-dd} of {_today:yyyy-MM-dd}\n{_model}";
            foreach (var d in _model.Documents)
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
                _model.ToSettle(day),
                where
            );
            if (day > _today)
                continue;
            var position = _books.Read(c => Rules.Position(c, Account, day));
            (position.Exposure, position.Overdue, position.Disputed).ShouldBe(_model.Position(day), where);
            (position.Promise?.State.ToString() ?? "").ShouldBe(_model.PromiseOn(day), where);
        }

        var receivable = _books.Read(c =>
            c.ExecuteScalar<long>("SELECT coalesce(sum(amount), 0) FROM journal_line WHERE purpose IN (0, 1)")
        );
        receivable.ShouldBe(_model.Documents.Sum(d => d.Left), at);
    }
}
