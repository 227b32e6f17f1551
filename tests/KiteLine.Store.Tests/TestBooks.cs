using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Tests;

namespace KiteLine.Store.Tests;

/// <summary>Fresh books in a folder of their own, with one account and short ways to post on it.</summary>
public sealed class TestBooks : IDisposable
{
    internal static readonly DateOnly Today = new(2026, 3, 16);
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-store");

    public TestBooks()
    {
        EmptyBooks.PutAt(Path);
        Books = Books.Open(Path);
        Items = new(new VersionCache());
        Ledgers = new(Items);
        Receipts = new(Items);
        Allocations = new(Items);
        LateCharges = new(Ledgers);
        Reminders = new(Ledgers, LetterPdf.Render);
        Write(tx =>
        {
            CompanyStore.Create(tx, new CompanySettings { Name = "Test Rope", PinnedBusinessDate = Today });
            PolicyStore.Save(
                tx,
                PolicyKind.LateCharge,
                "STD",
                "Standard",
                new LateChargePolicy { Rates = [new(new(2000, 1, 1), 12)], DayCount = DayCount.Of("act/365f") },
                0
            );
            PolicyStore.Save(tx, PolicyKind.ReminderPlan, "PLAN", "Plan", Plan, 0);
            return AccountStore.Open(
                tx,
                new(
                    "Pellworm Sail Loft",
                    Terms: "2/10 n/30",
                    Limit: 5000,
                    LateChargePolicy: "STD",
                    ReminderPlan: "PLAN",
                    Address: "1 Quay\nHarbour"
                )
            );
        });
    }

    internal static ReminderPlan Plan { get; } =
        new()
        {
            Levels =
            [
                new()
                {
                    DaysAfterDue = 7,
                    Texts =
                    [
                        new("", "First reminder for {{ customer }}", "Our books show {{ overdue }}.", "{{ company }}"),
                    ],
                },
                new()
                {
                    DaysAfterDue = 21,
                    Fee = new ReminderFee.PerLetter(12),
                    FeeTreatment = Treatment.Post,
                    LateCharge = Treatment.Show,
                    SetsState = AccountState.Stop,
                    Texts = [new("", "Second", "", "Pay {{ total }} by {{ pay_by }}.")],
                },
            ],
        };

    /// <summary>What counts by the usual settings, with business days from Monday to Friday.</summary>
    internal static PositionRules Positions { get; } = new(new(), AgeingBuckets.Default, BusinessCalendar.WeekendsOnly);

    internal string Path => System.IO.Path.Combine(_folder.FullName, "books.db");

    internal Books Books { get; }

    internal ItemStore Items { get; }

    internal AccountLedgers Ledgers { get; }

    internal AllocationDesk Allocations { get; }

    internal ReceiptDesk Receipts { get; }

    internal LateChargeDesk LateCharges { get; }

    internal ReminderDesk Reminders { get; }

    internal Account Account => Books.Read(c => AccountStore.Get(c, "PEL01"));

    internal T Write<T>(Func<Tx, T> write) => Books.Write("tester", write);

    internal long Invoice(
        decimal net,
        string date,
        decimal tax = 0,
        string terms = "2/10 n/30",
        string? number = null
    ) =>
        Write(tx =>
        {
            var account = AccountStore.Get(tx.Connection, "PEL01");
            var stored = PolicyStore.TermsByText(tx, terms);
            Money Amount(decimal a) => Money.Exact(a, account.Currency);
            var day = DateOnly.Parse(date, System.Globalization.CultureInfo.InvariantCulture);
            return PostingStore
                .Post(
                    tx,
                    account,
                    InvoicePosting.Invoice(
                        number,
                        day,
                        new InvoiceAmounts(Amount(net), Amount(tax), Amount(0)),
                        stored.Definition.ToTerms(),
                        tx.Rules()
                    ),
                    stored.Id
                )
                .ItemIds[0];
        });

    internal Effect<Payment> Pay(decimal cash, string valueDate, params long[] items) =>
        Write(tx => Receipts.Take(tx, "PEL01", Request(cash, valueDate, items)));

    internal static PaymentRequest Request(decimal cash, string valueDate, params long[] items) =>
        new(
            DateOnly.Parse(valueDate, System.Globalization.CultureInfo.InvariantCulture),
            cash,
            "ref",
            items.ToDictionary(i => i, _ => new PaymentChoice())
        );

    internal Item Item(long id) =>
        Books.Read(c => Items.Items(c, AccountStore.Get(c, "PEL01"), alsoClosed: true)).Single(i => i.Id == id);

    internal IReadOnlyList<string> Off() => Books.Read(Verifier.Check);

    public void Dispose()
    {
        Books.Dispose();
        _folder.Delete(recursive: true);
    }
}
