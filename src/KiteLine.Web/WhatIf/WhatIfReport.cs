using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A what-if as it is taken to a meeting.</summary>
internal static class WhatIfReport
{
    internal static Report Of(WhatIfView w) =>
        new(
            w.Name,
            [
                $"{Exactly.Day(w.From)} to {Exactly.Day(w.To)}, {w.Words}, in {w.Currency}",
                w.State == WhatIfState.Done
                    ? $"{w.Accounts} accounts replayed, {w.Differing} differ; the first of them by difference"
                    : "Not worked out",
            ],
            [
                new("Account", Width: 1.2f),
                new("Name", Width: 2),
                new("Discounts", Figure: true),
                new("Discounts would be", Figure: true),
                new("Charges", Figure: true),
                new("Charges would be", Figure: true),
                new("Fees", Figure: true),
                new("Fees would be", Figure: true),
                new("Orders held", Figure: true),
                new("Held would be", Figure: true),
                new("Interest", Figure: true),
                new("Difference", Figure: true),
            ],
            w.Largest.Select(a => Row(a.Code, a.Name, a.Happened, a.Would, a.Difference))
                .Concat(
                    w is { Happened: { } happened, Would: { } would }
                        ?
                        [
                            Row(
                                "All accounts",
                                "",
                                happened,
                                would,
                                new(would.Brings.Minor - happened.Brings.Minor, would.Brings.Currency)
                            ) with
                            {
                                Strong = true,
                            },
                        ]
                        : []
                ),
            [
                .. w.Assumptions,
                .. w.WithoutRate.Select(c => $"Accounts in {c} are left out: there is no rate for the day."),
            ]
        );

    private static ReportRow Row(
        string code,
        string name,
        ReplayFiguresView happened,
        ReplayFiguresView would,
        MoneySum difference
    ) =>
        new([
            code,
            name,
            happened.Discounts.Amount,
            would.Discounts.Amount,
            happened.Charges.Amount,
            would.Charges.Amount,
            happened.Fees.Amount,
            would.Fees.Amount,
            happened.OrdersHeld,
            would.OrdersHeld,
            would.Interest.Amount,
            difference.Amount,
        ]);
}
