using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Puts together what the account page shows on a day.</summary>
internal static class AccountPageReader
{
    internal static AccountPage Read(SqliteConnection connection, Account account, Desk desk, DateOnly day, string who)
    {
        var settings = CompanyStore.Settings(connection);
        var buckets = settings.Buckets();
        var position = AccountPosition.On(BookLoader.Load(connection, [account.Id])[0], day, settings.ExposureOn(day), buckets);
        if (Forecast.Of(position, settings.ExposureOn(day)).PassesOn is { } passes) position = position with { PassesOn = passes };
        var details = desk.Items.Details(connection, account, alsoClosed: true);
        var open = details.Where(d => d.Item.Date <= day && !d.Item.OpenAt(day).IsZero).ToList();
        var policy = PolicyStore.LateCharge(connection, account.LateChargePolicy);
        var plan = PolicyStore.Find<ReminderPlan>(connection, PolicyKind.ReminderPlan, account.ReminderPlan)?.Definition;
        var marks = ReminderDesk.Marks(connection, account).ToLookup(m => m.ItemId);
        var charges = policy is null ? [] : AccountCharges.On([.. details.Select(d => d.Item)], policy, day, settings.Rounding).ToDictionary(c => c.Item.Id, c => c.Total);
        var items = open.Select(d => Item(d, marks[d.Item.Id], policy, charges, plan, buckets, day)).ToList();

        return new(AccountView.Of(account), AccountRow.Of(position, buckets), $"{day:yyyy-MM-dd}", buckets.Names, items,
            Steps(details, position, policy, charges, plan, day, settings.Rounding),
            [.. ReminderDesk.Issued(connection, account).Select(r => Reminder(r, account.Currency))],
            [.. LimitStore.History(connection, LimitHolder.Of(account)).Select(LimitEventView.Of)],
            [.. LimitDesk.Of(connection, LimitHolder.Of(account), desk.Today(settings)).Select(r => LimitRequestView.Of(r, who))],
            Promises(connection, account, position), Disputes(connection, account, details),
            [.. OrderStore.Of(connection, account).Select(o => OrderRow.Of(o, day, position, buckets))]);
    }

    internal static List<PromiseView> Promises(SqliteConnection connection, Account account, AccountPosition position)
    {
        // Stored and counted in the same order, the one latest first, the other oldest first.
        var counted = position.Account.Promises.Reverse().ToList();
        string Text(long minor) => Money.FromMinor(minor, account.Currency).ToString();
        return [.. PromiseStore.Of(connection, account).Select((p, i) => new PromiseView(p.Id, $"{p.MadeOn:yyyy-MM-dd}", $"{p.DueOn:yyyy-MM-dd}", Text(p.Amount), Text(counted[i].Received),
            Fields.Name(counted[i].On(position.Day)), p.Contact, p.Note, p.MadeBy))];
    }

    private static List<DisputeView> Disputes(SqliteConnection connection, Account account, IReadOnlyList<ItemDetail> details)
    {
        var documents = details.ToDictionary(d => d.Item.Id, d => d.Item.Document);
        return [.. DisputeStore.Of(connection, account).Select(d => new DisputeView(d.Id, d.ItemId, documents.GetValueOrDefault(d.ItemId, ""), $"{Money.FromMinor(d.Amount, account.Currency)}",
            $"{d.FromDate:yyyy-MM-dd}", d.Owner, d.Reason, d.MadeBy, d.SettledOn?.ToString("O"), d.Outcome))];
    }

    internal static SettlementView Settlement(SqliteConnection connection, Account account, Desk desk, DateOnly on)
    {
        var policy = PolicyStore.LateCharge(connection, account.LateChargePolicy);
        var rounding = CompanyStore.Settings(connection).Rounding;
        var s = ToSettle.For(desk.Items.Items(connection, account, alsoClosed: true), ReminderDesk.UnpostedFees(connection, account), policy, account.Currency, on, rounding);
        return new($"{on:yyyy-MM-dd}", account.Currency.Code, $"{s.Open}", $"{s.Discount}", s.DiscountItems, $"{s.LateCharges}", $"{s.Fees}", $"{s.ToPay}",
            s.NextChange is { } next ? new($"{next.Date:yyyy-MM-dd}", next.Reason) : null,
            policy is null ? null : LateChargeWords.Of(policy, on),
            s.Workings);
    }

    private static ItemView Item(
        ItemDetail detail, IEnumerable<ReminderMark> sent, LateChargePolicy? policy, Dictionary<long, Money> charges, ReminderPlan? plan, AgeingBuckets buckets, DateOnly day)
    {
        var item = detail.Item;
        var charge = charges.TryGetValue(item.Id, out var accrued) && !accrued.IsZero ? $"{accrued}" : null;
        var today = item.DiscountOn(day);
        return new(item.Id, item.Document, Fields.Name(item.Kind), $"{item.Date:yyyy-MM-dd}", $"{item.Due:yyyy-MM-dd}", detail.Terms,
            $"{item.Opened}", $"{item.OpenAt(day)}", Math.Max(0, item.DaysOverdue(day)), buckets.IndexOf(buckets.DaysOf(item.Date, item.Due, day)),
            [.. item.DiscountsLeft.Select(d => new ItemDiscountView($"{d.Deadline:yyyy-MM-dd}", $"{d.LastDay:yyyy-MM-dd}", d.GraceDays, $"{d.Amount}", d.LastDay >= day))],
            today is null ? null : $"{today.Amount}", charge,
            item.ChargedThrough?.ToString("O"), policy is not null && policy.Bears(item) ? $"{item.Due.AddDays(policy.WaitDays + 1):yyyy-MM-dd}" : null,
            item.ReminderLevel, [.. sent.Select(m => new MarkView((int)m.Level, $"{m.Date:yyyy-MM-dd}", true, m.Number)), .. ToCome(item, plan, day)], detail.Reference);
    }

    // Each level that is still to come, at the earliest day it can be reached if the item stays unpaid.
    private static IEnumerable<MarkView> ToCome(Item item, ReminderPlan? plan, DateOnly day)
    {
        if (plan is null || item.Kind != ItemKind.Invoice || item.OpenAt(day).Minor <= 0) yield break;
        while (plan.NextOn(item) is { } next)
        {
            var on = next > day ? next : day;
            item = item with { ReminderLevel = plan.NextLevel(item, on), Reminders = item.Reminders + 1, RemindedOn = on };
            yield return new(item.ReminderLevel, $"{on:yyyy-MM-dd}", false, null);
        }
    }

    private static List<StepView> Steps(
        IReadOnlyList<ItemDetail> details, AccountPosition position, LateChargePolicy? policy, Dictionary<long, Money> charges, ReminderPlan? plan, DateOnly day, RoundingRule rounding)
    {
        var steps = new List<StepView>();
        var items = details.Select(d => d.Item).ToList();
        var currency = position.Account.Currency;
        string Text(long minor) => Money.FromMinor(minor, currency).ToString();
        if (position.Headroom < 0) steps.Add(new($"Over the limit by {Text(-position.Headroom)}", null, true));
        var reminder = ReminderProposal.For(items, plan, policy, currency, day, rounding);
        if (reminder.Level > 0) steps.Add(new($"Reminder level {reminder.Level} is ready, {reminder.Items.Count} items", $"{day:yyyy-MM-dd}", false));
        else if (reminder.NextOn is { } next) steps.Add(new("Next reminder can go out", $"{next:yyyy-MM-dd}", false));
        var ending = items.Select(i => (Item: i, Discount: i.DiscountOn(day))).Where(x => x.Discount is not null).OrderBy(x => x.Discount!.LastDay).FirstOrDefault();
        if (ending.Discount is { } d) steps.Add(new($"Discount of {d.Amount} on {ending.Item.Document} ends after", $"{d.LastDay:yyyy-MM-dd}", false));
        if (policy is { ShownOnly: false } && charges.Values.Sum(c => c.Minor) is > 0 and var accrued)
            steps.Add(new($"{policy.Label} of {Text(accrued)} accrued and not raised", $"{day:yyyy-MM-dd}", false));
        if (position is { ReviewLapsed: true, Limit.ReviewOn: { } review }) steps.Add(new("The review of the limit has lapsed", $"{review:yyyy-MM-dd}", true));
        if (position.Promise is PromiseState.Waiting && position.Account.Promises[^1] is var promise) steps.Add(new($"Promised {Text(promise.Minor)} by", $"{promise.DueOn:yyyy-MM-dd}", false));
        if (position.Promise is PromiseState.Broken or PromiseState.PartKept) steps.Add(new("The last promise was broken", $"{position.Account.Promises[^1].DueOn:yyyy-MM-dd}", true));
        if (position.Held > 0) steps.Add(new($"Orders of {Text(position.Held)} are held", null, false));
        if (position.PassesOn is { } passes) steps.Add(new("Expected to pass its limit on", $"{passes:yyyy-MM-dd}", false));
        if (position.UpliftUntil is { } until) steps.Add(new($"Uplift of {Text(position.Uplift)} ends after", $"{until:yyyy-MM-dd}", false));
        if (DaysLate.Of(position.Account, day) is { } late)
        {
            var taken = PaymentHabit.Of(items, day).DiscountsTaken is { } share ? $", {Math.Round(share * 100)}% of discounts taken" : "";
            steps.Add(new(late > 0 ? $"Pays on average {late:0.#} days late{taken}" : $"Pays on average {-late:0.#} days early{taken}", null, false));
        }

        return steps;
    }

    private static ReminderView Reminder(IssuedReminder r, Currency currency)
    {
        string Text(long minor) => Money.FromMinor(minor, currency).ToString();
        return new(r.Number, (int)r.Level, $"{r.Date:yyyy-MM-dd}", $"{r.PayBy:yyyy-MM-dd}", Text(r.Fee), r.FeePosted == 1, Text(r.LateCharge), Text(r.Total), r.Cancelled);
    }
}
