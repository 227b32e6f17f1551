using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>
/// What the company's settings do to postings: accounts, numbers, methods, opening documents and reminders.
/// </summary>
public sealed class CompanyPostingTests : IDisposable
{
    private readonly TestBooks _t = new();

    public void Dispose() => _t.Dispose();

    private void Company(Func<CompanySettings, CompanySettings> change) =>
        _t.Write(tx =>
        {
            var stored = CompanyStore.Get(tx.Connection);
            return CompanyStore.Change(tx, change(stored.Settings), stored.Version);
        });

    private string[] Journal(long entry) =>
        [.. _t.Books.Read(c => LedgerView.Journal(c, entry)).Select(l => $"{l.Account} {l.Amount}")];

    [Fact]
    public void A_payment_method_and_a_control_group_post_to_their_own_accounts_and_so_does_the_reversal()
    {
        Company(s =>
            s with
            {
                PaymentMethods = [new("CARD", "Card", 2, "1220")],
                ControlGroups = [new("HOME", "Home", "1101")],
            }
        );
        _t.Write(tx =>
            AccountStore.Change(
                tx,
                _t.Account with
                {
                    Profile = new() { ControlGroup = "HOME", PaymentMethod = "CARD" },
                },
                "moved"
            )
        );
        var item = _t.Invoice(1000, "2026-03-01", terms: "n/30");
        var paid = _t.Write(tx =>
            _t.Receipts.Take(tx, "PEL01", TestBooks.Request(1000, "2026-03-10", item) with { Method = "CARD" })
        );
        Journal(paid.EntryId).ShouldBe(["1220 1000.00", "1101 -1000.00"]);
        Company(s =>
            s with
            {
                PaymentMethods = [new("CARD", "Card", 2, "9999")],
                ControlGroups = [new("HOME", "Home", "8888")],
            }
        );
        Journal(_t.Write(tx => ReversalDesk.Reverse(tx, paid.EntryId, "bounced")).EntryId)
            .ShouldBe(["1220 -1000.00", "1101 1000.00"]);
        _t.Books.Read(c => c.ExecuteScalar<string>("SELECT payment_method FROM document WHERE kind = 2"))
            .ShouldBe("CARD");
        Should
            .Throw<RefusedException>(() =>
                _t.Write(tx =>
                    _t.Receipts.Take(tx, "PEL01", TestBooks.Request(1, "2026-03-10") with { Method = "SHELLS" })
                )
            )
            .Problems[0]
            .Field.ShouldBe("method");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void Numbers_follow_the_prefix_and_go_on_upwards_only()
    {
        string Number() =>
            _t.Books.Read(c => c.ExecuteScalar<string>("SELECT number FROM document ORDER BY id DESC LIMIT 1"))!;
        _t.Invoice(10, "2026-03-01");
        Number().ShouldBe("INV-00001");
        Company(s =>
            s with
            {
                Numbering = new Dictionary<DocumentSeries, DocumentNumbering>
                {
                    [DocumentSeries.Invoice] = new("26/", 3),
                },
            }
        );
        _t.Write(tx => Go(tx, 40));
        _t.Invoice(10, "2026-03-01");
        Number().ShouldBe("26/040");
        Should
            .Throw<RefusedException>(() => _t.Write(tx => Go(tx, 12)))
            .Problems[0]
            .Field.ShouldBe("numbering.invoice.next");
        _t.Books.Read(CompanyStore.UpcomingNumbers)[DocumentSeries.Invoice].ShouldBe(41);

        static int Go(Tx tx, long next)
        {
            CompanyStore.GoOnFrom(tx, DocumentSeries.Invoice, next);
            return 0;
        }
    }

    [Fact]
    public void The_business_date_is_the_day_in_the_company_s_time_zone()
    {
        var clock = new FixedClock(new(2026, 3, 16, 23, 30, 0, TimeSpan.Zero));
        DateOnly On(string zone) => CompanyStore.BusinessDate(new CompanySettings { TimeZone = zone }, clock);
        (On("UTC"), On("Europe/Berlin"), On("America/New_York")).ShouldBe(
            (new(2026, 3, 16), new(2026, 3, 17), new(2026, 3, 16))
        );
        CompanyStore
            .BusinessDate(
                new CompanySettings { TimeZone = "Pacific/Auckland", PinnedBusinessDate = new(2025, 1, 1) },
                clock
            )
            .ShouldBe(new DateOnly(2025, 1, 1));
    }

    [Fact]
    public void Opening_documents_are_typed_in_one_by_one_under_the_checks_of_the_import()
    {
        Effect<string> Post(string document, string amount, string date = "2026-01-10", string type = "invoice") =>
            _t.Write(tx =>
                OpeningDesk.Post(tx, "PEL01", ["PEL01", document, type, date, "", "", "", amount, "", "", ""])
            );
        var posted = Post("OLD-1", "500.00");
        posted.After.Exposure.ShouldBe(50_000);
        posted
            .Journal.Select(l => $"{l.Purpose} {l.Amount}")
            .ShouldBe(["Receivables 500.00", "OpeningBalances -500.00"]);
        Should.Throw<RefusedException>(() => Post("OLD-1", "500.00")).Problems[0].Field.ShouldBe("document");
        Should.Throw<RefusedException>(() => Post("Opening balance", "5000.00")).Message.ShouldContain("can't be aged");
        Should
            .Throw<RefusedException>(() => Post("X", "12.345", "soon", "bill"))
            .Problems.Select(p => p.Field)
            .ShouldBe(["type", "date", "amount"]);
        _t.Books.Read(c => _t.Items.Items(c, _t.Account)).ShouldHaveSingleItem().Due.ShouldBe(new DateOnly(2026, 2, 9));
        _t.Write(tx => ReversalDesk.ReverseOpening(tx, 1, "wrong amount"));
        Post("OLD-1", "450.00").After.Exposure.ShouldBe(45_000);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void A_level_that_posts_interest_charges_the_items_of_its_letter_and_its_cancellation_takes_both_back()
    {
        var level = new ReminderLevel
        {
            DaysAfterDue = 7,
            Fee = new ReminderFee.PerItem(4),
            FeeTreatment = Treatment.Post,
            LateCharge = Treatment.Post,
            AskColleague = "Ada",
            HandToCollection = true,
            Delivery = Delivery.Email,
            Texts = [new("", "Reminder"), new("de", "Mahnung {{ total }}")],
        };
        _t.Write(tx =>
            PolicyStore.Save(tx, PolicyKind.ReminderPlan, "PLAN", "Plan", new ReminderPlan { Levels = [level] }, 1)
        );
        _t.Write(tx => AccountStore.Change(tx, _t.Account with { Profile = new() { Language = "de" } }, "asked"));
        var item = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var issued = _t.Write(tx => _t.Reminders.Issue(tx, "PEL01", TestBooks.Today));
        issued.Journal.Where(l => l.Amount.Minor > 0).Select(l => $"{l.Amount}").ShouldBe(["4.00", "14.47"]);
        _t.Item(item).ChargedThrough(TestBooks.Today).ShouldBe(TestBooks.Today);
        var noted = _t.Books.Read(c => ContactLog.Of(c, _t.Account)).Select(e => e.Text).ToList();
        noted.Count.ShouldBe(2);
        noted.ShouldContain(text => text.Contains("ask Ada", StringComparison.Ordinal));
        noted.ShouldContain(text => text.Contains("collection", StringComparison.Ordinal));
        using (
            var pdf = UglyToad.PdfPig.PdfDocument.Open(
                _t.Books.Read(c => ReminderStore.LetterOf(c, issued.Detail.Number))
            )
        )
            string.Concat(pdf.GetPages().SelectMany(p => p.GetWords()).Select(w => w.Text))
                .ShouldContain("Mahnung1,018.47GBP");
        _t.Off().ShouldBeEmpty();

        var cancelled = _t.Write(tx => ReminderDesk.Cancel(tx, issued.Detail.Number, "sent in error"));
        cancelled.After.Exposure.ShouldBe(100_000);
        _t.Item(item).ChargedThrough(TestBooks.Today).ShouldBeNull();
        _t.Item(item).Reminders.ShouldBe(0);
        _t.Off().ShouldBeEmpty();
    }

    /// <summary>Plans of books made before fees had a basis and texts a language mean the same after.</summary>
    [Fact]
    public void Older_reminder_plans_are_carried_over()
    {
        const string Old = """
            {"levels":[{"daysAfterDue":7,"daysToPay":7,"leastOverdue":10,"fee":0,"feeTreatment":"none",
            "showLateCharge":false,"subject":"First","opening":"O","closing":"C"},{"daysAfterDue":21,
            "daysSincePrevious":10,"daysToPay":5,"leastOverdue":0,"fee":12.5,"feeTreatment":"post",
            "showLateCharge":true,"setsState":"stop","subject":"Second","opening":"","closing":""}]}
            """;
        var script = new StreamReader(
            typeof(Books).Assembly.GetManifestResourceStream(
                typeof(Books)
                    .Assembly.GetManifestResourceNames()
                    .Single(n => n.EndsWith("0007-reminder-plans.sql", StringComparison.Ordinal))
            )!
        ).ReadToEnd();
        var carryOver = script[..(script.IndexOf("'reminder-plan';", StringComparison.Ordinal) + 16)];
        var plan = _t.Write(tx =>
        {
            tx.Connection.Execute("UPDATE policy SET definition = @Old WHERE kind = 'reminder-plan'", new { Old });
            tx.Connection.Execute(carryOver);
            return PolicyStore.Find<ReminderPlan>(tx.Connection, PolicyKind.ReminderPlan, "PLAN")!.Definition;
        });
        Json.Write(plan)
            .ShouldBe(
                Json.Write(
                    new ReminderPlan
                    {
                        Levels =
                        [
                            new()
                            {
                                DaysAfterDue = 7,
                                DaysToPay = 7,
                                LeastOverdue = 10,
                                Texts = [new("", "First", "O", "C")],
                            },
                            new()
                            {
                                DaysAfterDue = 21,
                                DaysSincePrevious = 10,
                                DaysToPay = 5,
                                Fee = new ReminderFee.PerLetter(12.5m),
                                FeeTreatment = Treatment.Post,
                                LateCharge = Treatment.Show,
                                SetsState = AccountState.Stop,
                                Texts = [new("", "Second")],
                            },
                        ],
                    }
                )
            );
        plan.Problems().ShouldBeEmpty();
    }

    private sealed class FixedClock(DateTimeOffset now) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => now;
    }
}
