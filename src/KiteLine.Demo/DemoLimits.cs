using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>Limits of the demo's customers and groups, their sources, and what waits for a decision.</summary>
internal static class DemoLimits
{
    private static readonly DateOnly Today = DemoPolicies.BusinessDate;

    /// <summary>
    /// The group of a customer, or empty. One group trades in three currencies and has a group below it.
    /// </summary>
    internal static string GroupOf(int i) =>
        i switch
        {
            10 or 11 or 12 => "Windlass Holdings",
            22 or 24 or 26 => "Fairwater Group",
            43 or 44 or 45 => "Fairwater North",
            _ => "",
        };

    /// <summary>Limits of the groups and the rates to add their accounts up by.</summary>
    internal static void Groups(Tx tx, DateOnly from)
    {
        var home = Currency.Of(DemoPolicies.Company.BaseCurrency);
        RateStore.Add(tx, new SimulatedRateFeed().Between(from, Today, home), published: true);
        var fairwater = GroupStore.Get(tx.Connection, "Fairwater Group");
        var north = GroupStore.Get(tx.Connection, "Fairwater North");
        GroupStore.Change(tx, north.Name, north.Currency, fairwater.Name, north.Version, "Bought by Fairwater in 2024");
        Limit(
            tx,
            LimitHolder.Of(GroupStore.Get(tx.Connection, "Windlass Holdings")),
            80_000,
            new(2025, 10, 1),
            "One limit for the three yards",
            LimitSource.OwnAssessment,
            new(2026, 9, 30)
        );
        Limit(
            tx,
            LimitHolder.Of(fairwater),
            60_000,
            new(2025, 7, 1),
            "Letter of comfort of the parent",
            LimitSource.Guarantee,
            new(2026, 6, 30)
        );
        Limit(
            tx,
            LimitHolder.Of(north),
            25_000,
            new(2025, 7, 1),
            "Part of the group's limit",
            LimitSource.OwnAssessment,
            new(2026, 2, 28)
        );
    }

    /// <summary>
    /// Limits of one customer beyond its first: where they come from, what is insured, when they are looked at again.
    /// </summary>
    internal static void Limits(Tx tx, DemoCustomer c, int i)
    {
        var holder = LimitHolder.Of(c.Account);
        var round = Math.Max(2000, Math.Round(c.Monthly * 3 / 1000) * 1000);
        if (i % 14 == 1)
        {
            tx.ActingOn = Today.AddDays(-20);
            LimitStore.Uplift(
                tx,
                c.Account,
                Money.Exact(Math.Max(1000, Math.Round(c.Monthly / 1000) * 1000), c.Account.Currency),
                Today.AddDays(-20),
                new(2026, 4, 30),
                "Spring season, agreed with sales"
            );
            tx.ActingOn = null;
        }

        if (i % 21 == 2)
            Limit(
                tx,
                holder,
                round,
                Today.AddDays(-45),
                "Yearly review",
                LimitSource.OwnAssessment,
                Today.AddMonths(11)
            );
        if (i % 17 == 4)
            Limit(
                tx,
                holder,
                round,
                new(2025, 3, 3),
                "Cover of the insurer",
                LimitSource.CreditInsurer,
                new(2026, 3, 2),
                Math.Round(round * 0.8m, 0)
            );
        if (i % 19 == 8)
            Limit(
                tx,
                holder,
                round,
                new(2025, 9, 1),
                "On the agency's report",
                LimitSource.AgencyReport,
                new(2026, 8, 31)
            );
        if (i % 23 == 6)
            Limit(
                tx,
                holder,
                round,
                new(2025, 2, 10),
                "Guarantee of the owner",
                LimitSource.Guarantee,
                new(2026, 2, 9),
                security: "Personal guarantee, signed 10 Feb 2025",
                secured: round / 2
            );
        if (i % 20 == 13)
            LimitDesk.Propose(
                tx,
                holder,
                new(
                    Money.Exact(round / 2, c.Account.Currency).Minor,
                    new(2026, 4, 1),
                    null,
                    "The insurer lowers its cover from April",
                    LimitSource.CreditInsurer,
                    Money.Exact(round / 2, c.Account.Currency).Minor,
                    ReviewOn: new(2026, 9, 30)
                )
            );
        if (
            i % 13 == 3
            && new SimulatedCreditAgency().ReportOn(c.Account.Name, c.Account.Currency, Today.AddDays(-30))
                is { } report
        )
            AgencyReports.Keep(tx, c.Account, report);
    }

    /// <summary>Limits that a controller asked for above the own authority; they wait for somebody else.</summary>
    internal static void Requests(Books books, IReadOnlyList<string> codes)
    {
        string[] reasons =
        [
            "Opens a second yard in May",
            "Steady payer, wants one delivery a month",
            "Sales ask for the season",
        ];
        var asker = books.Read(c => UserStore.Find(c, "brandt"))!.Value.User.Acts();
        books.Write(
            asker,
            tx =>
            {
                foreach (var (code, reason) in codes.Zip(reasons))
                {
                    var account = AccountStore.Get(tx.Connection, code);
                    var standing = LimitStanding
                        .On(BookLoader.Standing(tx.Connection, [account.Id])[0].Limits, [], Today)
                        .Change!.Amount;
                    var wanted = Money.Exact(Math.Round(standing.Amount * 1.4m / 500) * 500, account.Currency);
                    LimitDesk.Propose(
                        tx,
                        LimitHolder.Of(account),
                        new(wanted.Minor, Today, null, reason, ReviewOn: Today.AddYears(1))
                    );
                }

                return 0;
            }
        );
    }

    private static void Limit(
        Tx tx,
        LimitHolder holder,
        decimal amount,
        DateOnly from,
        string reason,
        LimitSource source,
        DateOnly review,
        decimal insured = 0,
        string security = "",
        decimal secured = 0
    )
    {
        tx.ActingOn = from;
        LimitDesk.Propose(
            tx,
            holder,
            new(
                Money.Exact(amount, holder.Currency).Minor,
                from,
                null,
                reason,
                source,
                Money.Exact(insured, holder.Currency).Minor,
                security,
                Money.Exact(secured, holder.Currency).Minor,
                review
            )
        );
        tx.ActingOn = null;
    }
}
