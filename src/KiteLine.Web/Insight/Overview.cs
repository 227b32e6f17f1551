using System.Globalization;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The overview of an account as it is told and printed.</summary>
internal sealed record Overview(
    Account Account,
    AccountOverview Of,
    IReadOnlyList<SuggestedLimit> Suggested,
    IReadOnlyList<AuditEntry> Changes
)
{
    internal OverviewView View() =>
        new(
            Account.Code,
            Account.Name,
            Account.Currency.Code,
            [
                .. Of.Months.Select(m => new OverviewMonthView(
                    m.From,
                    m.To,
                    m.Sales,
                    m.Exposure,
                    m.Limit,
                    m.Paid,
                    Text(m.DaysToPay),
                    Text(m.DaysLate)
                )),
            ],
            Sales,
            Text(Of.Year.DaysToPay),
            Text(Of.Year.DaysLate),
            Of.Discounts.OfferedItems,
            Of.Discounts.UsedItems,
            Of.Discounts.Offered,
            Of.Discounts.Used,
            Text(Of.Discounts.Share),
            Text(Of.Discounts.AnnualCost),
            new(Of.Discounts.AllowedLate, Of.Discounts.WrittenOff, Of.Discounts.NotGranted),
            Of.Promises.Kept,
            Of.Promises.PartKept,
            Of.Promises.Broken,
            Of.Promises.Waiting,
            Of.Promises.Replaced,
            Of.Promises.KeptLate,
            Money.FromMinor(Of.Promises.Promised, Account.Currency),
            Money.FromMinor(Of.Promises.Received, Account.Currency),
            Standing(Of.Then),
            Standing(Of.Now),
            [.. Suggested.Select(SuggestedLimitView.Of)],
            Changes
        );

    internal PrintedOverview Printed(string company)
    {
        var (then, now) = (Standing(Of.Then), Standing(Of.Now));
        return new(
            company,
            $"{Account.Code} {Account.Name}",
            [
                $"In {Account.Currency.Code}, as shown on {Exactly.Day(now.Day)}. Terms {Account.Terms}"
                    + (Account.Owner.Length > 0 ? $", looked after by {Account.Owner}" : "")
                    + (Account.GroupName.Length > 0 ? $", group {Account.GroupName}" : "")
                    + ".",
            ],
            Exactly.Day(then.Day),
            Exactly.Day(now.Day),
            [
                ("Exposure", Grouped(then.Exposure), Grouped(now.Exposure)),
                ("Limit in force", Grouped(then.Limit), Grouped(now.Limit)),
                ("Overdue", Grouped(then.Overdue), Grouped(now.Overdue)),
                ("Oldest, days past due", $"{then.OldestDays}", $"{now.OldestDays}"),
                ("State", Fields.Name(then.State), Fields.Name(now.State)),
            ],
            Of.Months,
            Habits(),
            Suggested,
            [
                .. Changes.Select(c =>
                    $"{c.At[..10]} {c.Who}: {c.Action}. "
                    + string.Join(
                        ", ",
                        c.Changes.Select(x =>
                            x.Before is null ? $"{x.What} {x.After}" : $"{x.What} {x.Before} to {x.After ?? "none"}"
                        )
                    )
                    + (c.Reason.Length > 0 ? $" ({c.Reason})" : "")
                ),
            ]
        );
    }

    private MoneySum Sales => new((Int128)(Of.Year.Ratios.Sales * Account.Currency.MinorPerMajor), Account.Currency);

    private IReadOnlyList<string> Habits()
    {
        var (d, p) = (Of.Discounts, Of.Promises);
        return
        [
            $"Sales of twelve months {Sales}; paid {Days(Of.Year.DaysToPay)} days after the invoice, "
                + $"{Late(Of.Year.DaysLate)}, weighted by the cash.",
            d.OfferedItems == 0
                ? "No discounts were offered."
                : $"Discounts: {d.UsedItems} of {d.OfferedItems} items, {d.Used} of {d.Offered}; allowed late "
                    + $"{d.AllowedLate}, written off late {d.WrittenOff}, earned and not granted {d.NotGranted}.",
            p is { Kept: 0, PartKept: 0, Broken: 0, Waiting: 0 }
                ? "No promises were made."
                : $"Promises: {p.Kept} kept, {p.PartKept} kept in part, {p.Broken} broken, {p.Waiting} waiting; "
                    + $"{Money.FromMinor(p.Received, Account.Currency)} came of {Money.FromMinor(p.Promised, Account.Currency)}.",
        ];
    }

    private OverviewStandingView Standing(AccountPosition p) =>
        new(
            p.Day,
            Money.FromMinor(p.Exposure, Account.Currency),
            Money.FromMinor(p.EffectiveLimit, Account.Currency),
            Text(p.Utilisation),
            Money.FromMinor(p.Overdue, Account.Currency),
            p.OldestDays,
            p.State
        );

    private static string Grouped(Money m) =>
        m.Amount.ToString("N" + m.Currency.Decimals, CultureInfo.InvariantCulture);

    private static string Late(decimal? days) =>
        days < 0 ? $"{Days(-days)} days before the due date" : $"{Days(days)} days after the due date";

    private static string Days(decimal? days) => days?.ToString("F1", CultureInfo.InvariantCulture) ?? "—";

    private static string? Text(decimal? figure) =>
        figure is { } f ? ReceivablesMeasures.Rounded(f).ToString("F4", CultureInfo.InvariantCulture) : null;
}
