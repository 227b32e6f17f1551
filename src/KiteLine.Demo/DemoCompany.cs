using Dapper;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>
/// The demo: Saltmarsh Cordage &amp; Canvas with 84 invented customers and 18 months of documents, made day by day
/// through the same posting code as everybody else. The same seed gives the same books.
/// </summary>
public sealed class DemoCompany
{
    private const int Seed = 20260316;
    private static readonly DateOnly Start = new(2024, 9, 16);
    private static readonly DateOnly FirstReminder = new(2025, 8, 1);
    private readonly VersionCache _versions = new();
    private readonly ItemStore _items;
    private readonly AccountLedgers _ledgers;
    private readonly ReceiptDesk _receipts;
    private readonly LateChargeDesk _charges;
    private readonly ReminderDesk _reminders;
    private readonly OutboxDesk _outbox;
    private readonly Func<string, string> _hashPassword;

    public DemoCompany(
        Func<ReminderLetter, byte[]> renderLetter,
        Func<string, string> hashPassword,
        Func<string, IReadOnlyDictionary<string, object>, string> fillTemplate
    )
    {
        var messages = 0;
        _outbox = new(fillTemplate, _ => $"demo-{++messages}@saltmarsh.example");
        _hashPassword = hashPassword;
        _items = new(_versions);
        _receipts = new(_items);
        _ledgers = new(_items);
        _charges = new(_ledgers);
        _reminders = new(_ledgers, renderLetter);
    }

    /// <summary>Makes the demo in new books, in one transaction.</summary>
    public void Create(Books books)
    {
        ArgumentNullException.ThrowIfNull(books);
        string[] asking = [];
        books.Write(
            "demo",
            tx =>
            {
                CompanyStore.Create(tx, DemoPolicies.Company);
                DemoUsers.Create(tx, _hashPassword);
                DemoPolicies.Create(tx);
                var random = new Random(Seed);
                var customers = Enumerable.Range(0, DemoNames.Count).Select(i => Customer(tx, i, random)).ToArray();
                asking = [.. customers.Select(c => c.Account.Code)];
                DemoBank.Accounts(tx, customers);
                for (var day = Start; day <= DemoPolicies.BusinessDate; day = day.AddDays(1))
                {
                    if (!BusinessCalendar.WeekendsOnly.IsBusinessDay(day))
                        continue;
                    tx.ActingOn = day;
                    RateStore.Add(
                        tx,
                        new SimulatedRateFeed().Between(day, day, Currency.Of(DemoPolicies.Company.BaseCurrency)),
                        published: true
                    );
                    foreach (var customer in customers)
                        Live(tx, customer, day);
                    DemoCash.Bank(tx, day);
                }

                tx.ActingOn = null;
                DemoCash.PayBack(tx, customers, new(_items), _items);
                DemoCash.Move(tx, customers, _items);
                DemoLimits.Groups(tx, Start);
                foreach (var (customer, i) in customers.Select((c, i) => (c, i)))
                    Finish(tx, customer, i);
                return 0;
            }
        );
        DemoLimits.Requests(books, [asking[3], asking[17], asking[30]]);
        books.Write("demo", DemoProvisions.Create);
        DemoOutbox.Create(books, _outbox);
        DemoRuns.Create(books, _ledgers, _reminders, _versions);
        books.Write("demo", DemoWhatIfs.Create);
    }

    private static DemoCustomer Customer(Tx tx, int i, Random random)
    {
        var habit = (DemoHabit)(i % 9);
        var monthly = Math.Round((decimal)Math.Exp((random.NextDouble() * 2.6) + 7.2), 0);
        var currency =
            i % 17 == 5 ? Currency.Of("EUR")
            : i % 19 == 7 ? Currency.Of("USD")
            : Currency.Of("GBP");
        // Habits about discounts need terms that offer one.
        var text = habit is DemoHabit.Early or DemoHabit.DiscountLate
            ? DemoPolicies.Terms[i % 2 == 0 ? 0 : 2]
            : DemoPolicies.Terms[i % DemoPolicies.Terms.Length];
        var terms = PolicyStore.TermsByText(tx, text);
        var months = habit switch
        {
            DemoHabit.SlowButSure or DemoHabit.MonthEnd => 3.2m,
            DemoHabit.Growing => 2.6m,
            DemoHabit.GoneQuiet or DemoHabit.Disputing => 4m,
            _ => 2.4m,
        };
        var limit = Math.Max(
            1500,
            Math.Round(monthly * 1.2m * months * (0.85m + ((decimal)random.NextDouble() * 0.7m)) / 500) * 500
        );
        var account = AccountStore.Open(
            tx,
            new NewAccount(
                DemoNames.Name(i),
                Currency: currency,
                Terms: terms.Code,
                Limit: limit,
                LateChargePolicy: i % 6 == 4 ? "PATIENT"
                    : i % 11 == 6 ? "SHOWN"
                    : i % 19 == 14 ? "STATUTORY"
                    : i % 21 == 15 ? "MONTHLY"
                    : null,
                ReminderPlan: currency.Code != "GBP" ? "ABROAD"
                    : i % 5 == 3 ? "GENTLE"
                    : null,
                GroupName: DemoLimits.GroupOf(i),
                Owner: DemoNames.Owner(i),
                Email: DemoNames.Email(i),
                Address: DemoNames.Address(i),
                TaxCode: currency.Code == "GBP" ? null : "NONE",
                Profile: DemoProfiles.Of(i, currency, DemoPolicies.Company.Defaults)
            )
        );
        return new(account, terms, habit, monthly, new Random(Seed + i));
    }

    private void Live(Tx tx, DemoCustomer customer, DateOnly day)
    {
        Pay(tx, customer, day);
        Buy(tx, customer, day);
        // Reminders go out on Tuesdays since the company began to send them, late charges on the first business day of
        // each quarter.
        if (
            day.DayOfWeek == DayOfWeek.Tuesday
            && day >= FirstReminder
            && IsLate(tx, customer, day)
            && _reminders.Propose(tx.Connection, customer.Account, day, tx.Rules()).LeftOut is null
        )
            _reminders.Post(tx, customer.Account, day);
        if (
            day.Month % 3 == 1
            && day.Day <= 3
            && BusinessCalendar.WeekendsOnly.Adjust(new(day.Year, day.Month, 1), BusinessDayRule.Next) == day
            && _ledgers.Of(tx.Connection, customer.Account) is { Policy: { ShownOnly: false } policy } ledger
            && AccountCharges.On(ledger.Items, policy, day, day, tx.Rules()).Lines.Any(l => !l.Total.IsZero)
        )
        {
            var raised = LateChargeDesk.Post(
                tx,
                customer.Account,
                _charges.Decide(tx.Connection, customer.Account, day, null, tx.Rules())
            );
            // Many customers pay without it: two in three charges are taken back when they complain.
            if (customer.Random.Next(3) > 0)
                ReversalDesk.Post(tx, raised.EntryId, "Waived on the customer's request");
        }
    }

    // To look at every account in full each week would take longer than all the rest: nobody is reminded within a week of
    // the due date, within ten days of the last reminder, or more than three times.
    private static bool IsLate(Tx tx, DemoCustomer customer, DateOnly day) =>
        tx.Connection.ExecuteScalar<bool>(
            """
            SELECT EXISTS (SELECT 1 FROM item WHERE account_id = @Id AND open > 0 AND due <= @late AND reminder_level < 3
                AND (reminded_on IS NULL OR reminded_on <= @since))
            """,
            new
            {
                customer.Account.Id,
                late = day.AddDays(-7),
                since = day.AddDays(-10),
            }
        );

    private static void Buy(Tx tx, DemoCustomer c, DateOnly day)
    {
        if (c.Random.NextDouble() > 0.085)
            return;
        var months = ((day.Year - Start.Year) * 12) + day.Month - Start.Month;
        var growth = c.Habit == DemoHabit.Growing ? 0.55m + (0.07m * months) : 1m;
        var net = Math.Round(c.Monthly * growth * (decimal)(0.25 + (c.Random.NextDouble() * 0.6)), 2);
        var currency = c.Account.Currency;
        var rules = tx.Rules();
        var tax = currency.Code == "GBP" ? rules.Round(net * 0.2m, currency) : Money.Zero(currency);
        var freight = c.Random.Next(6) == 0 ? Money.Exact(18, currency) : Money.Zero(currency);
        var posting = InvoicePosting.Invoice(
            null,
            day,
            new InvoiceAmounts(Money.Exact(net, currency), tax, freight),
            c.Terms.Definition.ToTerms(),
            rules
        );
        var posted = PostingStore.Post(tx, c.Account, posting, c.Terms.Id);
        c.Invoices++;
        for (var i = 0; i < posted.ItemIds.Count; i++)
        {
            if (PayOn(c, day, posting.Documents[0].Items[i].Due) is not { } on)
                continue;
            if (!c.Plan.TryGetValue(on, out var items))
                c.Plan.Add(on, items = []);
            items.Add(posted.ItemIds[i]);
        }

        if (c.Random.Next(160) == 0)
        {
            var amount = rules.Round(net * 0.08m, currency);
            PostingStore.Post(
                tx,
                c.Account,
                InvoicePosting.CreditNote(
                    null,
                    day,
                    new InvoiceAmounts(amount, rules.Round(tax.Amount * 0.08m, currency), Money.Zero(currency)),
                    day,
                    "Goods returned"
                )
            );
        }
    }

    private static DateOnly? PayOn(DemoCustomer c, DateOnly day, DateOnly due) =>
        c.Habit switch
        {
            DemoHabit.Early => day.AddDays(c.Random.Next(3, 8)),
            DemoHabit.MonthEnd => new DateOnly(due.Year, due.Month, DateTime.DaysInMonth(due.Year, due.Month)),
            DemoHabit.SlowButSure => due.AddDays(c.Random.Next(14, 38)),
            DemoHabit.ShortByFee => due.AddDays(c.Random.Next(-3, 4)),
            DemoHabit.DiscountLate => day.AddDays(c.Random.Next(12, 19)),
            DemoHabit.Growing => due.AddDays(c.Random.Next(0, 16)),
            DemoHabit.Disputing => c.Invoices % 5 == 0 && day > new DateOnly(2025, 8, 1)
                ? null
                : due.AddDays(c.Random.Next(-2, 8)),
            DemoHabit.GoneQuiet => day > new DateOnly(2025, 11, 10) ? null : due.AddDays(c.Random.Next(0, 9)),
            _ => due.AddDays(c.Random.Next(2, 12)),
        };

    private void Pay(Tx tx, DemoCustomer c, DateOnly day)
    {
        var due = c.Plan.Keys.TakeWhile(d => d <= day).ToArray();
        if (due.Length == 0)
            return;
        var ids = due.SelectMany(d => c.Plan[d]).ToHashSet();
        foreach (var d in due)
            c.Plan.Remove(d);
        // Charges and fees that were not waived are paid along with the next invoice, save by those who dispute.
        var items = _items
            .Items(tx.Connection, c.Account)
            .Where(i =>
                i.Left.Minor > 0
                && (ids.Contains(i.Id) || (i.Kind != ItemKind.Invoice && i.Due < day && c.Habit != DemoHabit.Disputing))
            )
            .ToArray();
        if (items.Length == 0)
            return;

        var cash = items.Sum(i => i.Left.Amount - Taken(c, i, day, tx.Rules()));
        if (c.Habit == DemoHabit.ShortByFee)
            cash -= 4.50m;
        if (c.Habit == DemoHabit.RoundSums && cash > 200)
            cash = Math.Ceiling(cash / 2 / 50) * 50;
        if (cash <= 0)
            return;
        var decided = items.ToDictionary(i => i.Id, i => Decided(c, i, day));
        _receipts.Post(
            tx,
            c.Account,
            new(
                day,
                cash,
                $"{c.Account.Code} {day:MMMM}",
                decided,
                Method: c.Account.Profile.PaymentMethod,
                Reason: decided.Values.Any(d =>
                    d.Discount == DiscountChoice.Grant || d.WriteOff == WriteOffChoice.Whole
                )
                    ? "Their payment run was late"
                    : ""
            )
        );
        if (c.Habit == DemoHabit.RoundSums)
        {
            // What a round sum left open comes with the next one.
            var next = day.AddDays(21);
            if (!c.Plan.TryGetValue(next, out var later))
                c.Plan.Add(next, later = []);
            later.AddRange(items.Where(i => ids.Contains(i.Id)).Select(i => i.Id));
        }
    }

    // Until last year now and then somebody let a discount pass that was taken late, or wrote it off, or did not grant one
    // that was earned: what leaked then is to be found.
    private static PaymentChoice Decided(DemoCustomer c, Item item, DateOnly day)
    {
        if (day.Year > 2025 || item.Discounts.Count == 0)
            return new();
        var last = item.Discounts[^1].Deadline;
        return (c.Habit, item.Id % 7) switch
        {
            (DemoHabit.DiscountLate, 2) when day > last => new(DiscountChoice.Grant, Step: last),
            (DemoHabit.DiscountLate, 5) when day > last => new(WriteOff: WriteOffChoice.Whole),
            (DemoHabit.Early, 3) => new(DiscountChoice.Refuse),
            _ => new(),
        };
    }

    private static decimal Taken(DemoCustomer c, Item item, DateOnly day, BooksRules rules) =>
        c.Habit switch
        {
            DemoHabit.DiscountLate => item.Discounts.Count > 0 ? item.Discounts[^1].Amount.Amount : 0,
            DemoHabit.MonthEnd or DemoHabit.RoundSums => 0,
            // It paid in full all the same, and nobody offered what was earned.
            DemoHabit.Early when Decided(c, item, day).Discount == DiscountChoice.Refuse => 0,
            _ => item.DiscountOn(day, rules.Rounding)?.Amount.Amount ?? 0,
        };

    private void Finish(Tx tx, DemoCustomer c, int i)
    {
        var today = DemoPolicies.BusinessDate;
        DemoLimits.Limits(tx, c, i);
        DemoOrders.Of(tx, c, i);
        DemoClaims.Of(tx, c, i, _items);
        var contact = c.Account.Profile.Contacts[0].Name;
        if (c.Habit == DemoHabit.Disputing)
            ContactLog.Add(
                tx,
                c.Account,
                ContactKind.Call,
                today.AddDays(-6 - (i % 5)),
                contact,
                "Says every fifth delivery came short; will send the delivery notes.",
                today
            );
        if (c.Habit == DemoHabit.GoneQuiet)
            ContactLog.Add(
                tx,
                c.Account,
                ContactKind.Call,
                today.AddDays(-3),
                contact,
                "No answer on three days; left word on the machine.",
                today
            );
        if (c.Habit == DemoHabit.SlowButSure)
            ContactLog.Add(
                tx,
                c.Account,
                ContactKind.Email,
                today.AddDays(-9),
                contact,
                "Payment run is on the last Friday of the month, as always.",
                today
            );
        if (i % 12 == 5)
            AttachmentStore.Add(
                tx,
                c.Account,
                "terms-confirmed.txt",
                System.Text.Encoding.UTF8.GetBytes($"{c.Account.Name} confirms the terms {c.Terms.Code}.\n{contact}\n"),
                "Confirmation of terms, signed"
            );
    }
}
