using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Puts together what the account page shows on a day.</summary>
internal static class AccountPageReader
{
    // The items and the position are as the books showed them on the day, so that they add up; what the customer would
    // have to pay, discounts and interest are by value, as to settle is.
    internal static AccountPage Read(SqliteConnection connection, Account account, Desk desk, DateOnly day, Actor who)
    {
        var settings = CompanyStore.Settings(connection);
        var (rules, positions) = (desk.Rules(connection), Rules.Positions(connection, day));
        var (buckets, exposure) = (positions.Buckets, positions.Exposure);
        var book = BookLoader.Load(connection, [account.Id])[0];
        var position = AccountPosition.On(book, day, positions);
        if (Forecast.Of(position, exposure).PassesOn is { } passes)
            position = position with { PassesOn = passes };
        // A past day knows nothing of letters that went out later.
        var marks = ReminderStore.Marks(connection, account).Where(m => m.Date <= day).ToLookup(m => m.ItemId);
        var details = desk
            .Items.Details(connection, account, alsoClosed: true)
            .Select(d => d with { Item = Reminded(d.Item, [.. marks[d.Item.Id]]) })
            .ToList();
        var ledger = AccountLedgers.Of(connection, account, [.. details.Select(d => d.Item)], book);
        var lines = ledger.Policy is null ? [] : AccountCharges.On(ledger.Items, ledger.Policy, day, day, rules).Lines;
        var charges = lines
            .Zip(LateChargeTax.Gross(ledger.ChargeTax, lines, day, rules.Rounding))
            .ToDictionary(x => x.First.Item.Id, x => x.Second);
        // By the due dates that the books showed on the day, as its position is.
        var dues = book.DuesOn(day);
        var items = details
            .Where(d => !d.Item.OpenAsShown(day).IsZero)
            .Select(d =>
                dues.TryGetValue(d.Item.Id, out var due) ? d with { Item = d.Item.AsOn(day) with { Due = due } } : d
            )
            .Select(d => Item(d, marks[d.Item.Id], ledger, charges, buckets, day, rules))
            .ToList();

        return new(
            AccountView.Of(account, rules.Today),
            AccountRow.Of(position, buckets),
            day,
            buckets.Names,
            items,
            [.. NextStep.Of(ledger, position, exposure, rules).Select(x => new StepView(x.Text, x.On, x.Alarm))],
            [.. ReminderStore.Issued(connection, account).Select(r => Reminder(r, account.Currency))],
            [.. LimitStore.History(connection, LimitHolder.Of(account)).Select(LimitEventView.Of)],
            [
                .. LimitDesk
                    .Of(connection, LimitHolder.Of(account), desk.Today(settings))
                    .Select(r => LimitRequestView.Of(r, who)),
            ],
            Promises(connection, account, position, positions.Calendar),
            Disputes(connection, account, details),
            [.. OrderStore.Of(connection, account).Select(o => OrderRow.Of(o, day, position, buckets))],
            AccountPause.On(book, day) is { } pause ? new(pause.Id, pause.From, pause.Until, pause.Reason) : null,
            CollectionCase.On(book, day) is { } theirs ? new(theirs.From, theirs.Kind, theirs.To) : null,
            buckets.Basis,
            buckets.UpTo
        );
    }

    internal static List<PromiseView> Promises(
        SqliteConnection connection,
        Account account,
        AccountPosition position,
        BusinessCalendar calendar
    )
    {
        var known = PromiseLedger.On(position.Account, position.Day, calendar).All.ToDictionary(s => s.Promise.Id);
        Money Amount(long minor) => Money.FromMinor(minor, account.Currency);
        return
        [
            .. PromiseStore
                .Of(connection, account)
                .Where(p => known.ContainsKey(p.Id))
                .Select(p => (Promise: p, Standing: known[p.Id]))
                .Select(x => new PromiseView(
                    x.Promise.Id,
                    x.Promise.MadeOn,
                    x.Promise.DueOn,
                    Amount(x.Promise.Amount),
                    Amount(x.Standing.Received + x.Standing.ReceivedLate),
                    x.Standing.State,
                    x.Promise.Contact,
                    x.Promise.Note,
                    x.Promise.MadeBy
                )),
        ];
    }

    private static List<DisputeView> Disputes(
        SqliteConnection connection,
        Account account,
        IReadOnlyList<ItemDetail> details
    )
    {
        var documents = details.ToDictionary(d => d.Item.Id, d => d.Item.Document);
        return
        [
            .. DisputeStore
                .Of(connection, account)
                .Select(d => new DisputeView(
                    d.Id,
                    d.ItemId,
                    documents.GetValueOrDefault(d.ItemId, ""),
                    Money.FromMinor(d.Amount, account.Currency),
                    d.FromDate,
                    d.Owner,
                    d.Reason,
                    d.MadeBy,
                    d.SettledOn,
                    d.Outcome,
                    d.AgainstCustomer
                )),
        ];
    }

    internal static SettlementView Settlement(SqliteConnection connection, Account account, Desk desk, DateOnly on)
    {
        var ledger = desk.Ledgers.Of(connection, account);
        var s = ToSettle.For(ledger, on, desk.Rules(connection));
        return new(
            on,
            account.Currency.Code,
            s.Open,
            s.Discount,
            s.DiscountItems,
            s.LateCharges,
            s.Fees,
            s.ToPay,
            s.NextChange is { } next ? new(next.Date, next.Reason) : null,
            ledger.Policy is null ? null : LateChargeWords.Of(ledger.Policy, on),
            s.Workings
        );
    }

    private static Item Reminded(Item item, ReminderMark[] marks) =>
        item with
        {
            ReminderLevel = marks.Length == 0 ? 0 : (int)marks[^1].Level,
            Reminders = marks.Length,
            RemindedOn = marks.Length == 0 ? null : marks[^1].Date,
        };

    private static ItemView Item(
        ItemDetail detail,
        IEnumerable<ReminderMark> sent,
        AccountLedger ledger,
        Dictionary<long, Money> charges,
        AgeingBuckets buckets,
        DateOnly day,
        BooksRules rules
    )
    {
        var (item, policy) = (detail.Item, ledger.Policy);
        Money? charge = charges.TryGetValue(item.Id, out var accrued) && !accrued.IsZero ? accrued : null;
        var today = item.DiscountOn(day, rules.Rounding);
        return new(
            item.Id,
            item.Document,
            item.Kind,
            item.Date,
            item.Due,
            detail.Terms,
            item.Opened,
            item.OpenAsShown(day),
            Math.Max(0, item.DaysOverdue(day)),
            buckets.IndexOf(buckets.DaysOf(item.Date, item.Due, day)),
            [
                .. item.DiscountsLeft(day, rules.Rounding)
                    .Select(d => new ItemDiscountView(d.Deadline, d.LastDay, d.GraceDays, d.Amount, d.LastDay >= day)),
            ],
            today?.Amount,
            charge,
            item.ChargedThrough(day),
            policy is not null && policy.Bears(item) ? item.Due.AddDays(policy.WaitDays + 1) : null,
            item.ReminderLevel,
            [
                .. sent.Select(m => new MarkView((int)m.Level, m.Date, true, m.Number)),
                .. (ledger.Plan?.ToCome(item, day) ?? []).Select(l => new MarkView(l.Level, l.On, false, null)),
            ],
            detail.Reference,
            item.OpenByValue(day),
            item.DisputedOn(day, item.OpenAsShown(day)),
            detail.Number,
            ItemChangeView.Of(item, day)
        );
    }

    private static ReminderView Reminder(IssuedReminder r, Currency currency)
    {
        Money Amount(long minor) => Money.FromMinor(minor, currency);
        return new(
            r.Number,
            (int)r.Level,
            r.Date,
            r.PayBy,
            Amount(r.Fee + r.EarlierFees),
            r.FeePosted == 1,
            Amount(r.LateCharge),
            Amount(r.Total),
            r.Cancelled
        );
    }
}
