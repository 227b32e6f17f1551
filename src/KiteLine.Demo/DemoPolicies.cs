using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>The settings and policies of the demo company. Rates are made up.</summary>
internal static class DemoPolicies
{
    internal static readonly string[] Terms =
    [
        "2/10 n/30",
        "n/30",
        "3/7, 1/14 n/45",
        "n/30 EOM",
        "2/10 n/30",
        "15 prox",
        "40% now, rest 20",
        "n/14",
    ];

    internal static readonly DateOnly BusinessDate = new(2026, 3, 16);

    internal static CompanySettings Company =>
        new()
        {
            Name = "Saltmarsh Cordage & Canvas",
            Mail = new(SenderName: "Saltmarsh accounts", SenderAddress: "accounts@saltmarsh.example"),
            Exposure = new(UnclearedCount: true),
            Address = ["Ropewalk Yard, 14 Capstan Street", "Harrowmouth HX1 2QA", "accounts@saltmarsh-cordage.example"],
            LetterFoot =
            [
                "Please pay to Harrowmouth Bank, IBAN GB08 SALT 1020 3012 3456 78, and quote your account.",
                "Credit control: 01700 900 141, Monday to Friday, 8 to 17 o'clock",
            ],
            TimeZone = "Europe/London",
            PinnedBusinessDate = BusinessDate,
            SettingUpEndedOn = BusinessDate.AddMonths(-18),
            Allowance = new(5, 1, new Dictionary<string, decimal> { ["EUR"] = 6 }),
            Calendar = "YARD",
            TermsLimits = new(AnnualCost: 60),
            Defaults = new(
                "n/30",
                1500,
                "STD",
                "STANDARD",
                TaxCode: "STANDARD",
                Responses: new() { OverdueDays = 21, OverdueAmount = 250 }
            ),
            PaymentMethods =
            [
                new("TRANSFER", "Bank transfer", 0, "", "GB08SALT10203012345678"),
                new("DEBIT", "Direct debit", 3, "1210"),
                new("CARD", "Card", 2, "1220", ByHand: true),
                new("CHEQUE", "Cheque", 5, "1230", ByHand: true),
                new("CASH", "Trade counter", 0, "1240", ByHand: true),
            ],
            ControlGroups = [new("HOME", "Customers at home", "1101"), new("ABROAD", "Customers abroad", "1102")],
            CustomerFields =
            [
                new(
                    "region",
                    "Delivery round",
                    CustomerFieldKind.Choice,
                    ["North shore", "Estuary", "Inland", "Abroad"]
                ),
                new("boats", "Berths or stages", CustomerFieldKind.Number),
                new("since", "Customer since", CustomerFieldKind.Date),
                new("remark", "Gate and loading", CustomerFieldKind.Text),
            ],
        };

    internal static void Create(Tx tx)
    {
        foreach (var text in Terms.Distinct())
            PolicyStore.TermsByText(tx, text);
        PolicyStore.Save(
            tx,
            PolicyKind.Terms,
            "TRADE",
            "Trade counter, on goods without tax",
            TermsDefinition.Checked(
                "2/10 n/30",
                new()
                {
                    Base = DiscountBase.Net,
                    GraceDays = 2,
                    BusinessDays = BusinessDayRule.Next,
                    PartPayments = true,
                },
                "{% for d in discounts %}Pay {{ d.payable }} by {{ d.deadline }} and keep {{ d.amount }}. {% endfor "
                    + "%}Otherwise {{ total }} is due on {{ due }}."
            ),
            0
        );
        PolicyStore.Save(
            tx,
            PolicyKind.Terms,
            "SEASON",
            "Spring fit-out, paid after the season",
            TermsDefinition.Checked("30% now, rest 15 prox cut-off 20 +2m"),
            0
        );
        PolicyStore.Save(tx, PolicyKind.Calendar, "YARD", "Ropewalk Yard", Yard(), 0);
        PolicyStore.Save(
            tx,
            PolicyKind.Calendar,
            "HALYARD",
            "Halyard depot",
            new HolidayCalendar
            {
                Holidays = [new(new(2026, 6, 29), "Harbour day"), new(new(2026, 12, 24), "Depot closed")],
            },
            0
        );
        PolicyStore.Save(
            tx,
            PolicyKind.TaxCode,
            "STANDARD",
            "Standard rate",
            Tax(new TaxRate(new(2020, 1, 1), 20, [new("Revenue office", 20)])),
            0
        );
        PolicyStore.Save(
            tx,
            PolicyKind.TaxCode,
            "ISLES",
            "Outer isles, in two parts",
            Tax(
                new TaxRate(new(2020, 1, 1), 7.5m, [new("Isles council", 5), new("Harbour board", 2.5m)]),
                new TaxRate(new(2026, 1, 1), 8.25m, [new("Isles council", 5.5m), new("Harbour board", 2.75m)])
            ) with
            {
                FreightTaxed = false,
            },
            0
        );
        PolicyStore.Save(
            tx,
            PolicyKind.TaxCode,
            "NONE",
            "Sales abroad, not taxed",
            Tax(new TaxRate(new(2020, 1, 1), 0, [new("Revenue office", 0)])),
            0
        );
        PolicyStore.Save(tx, PolicyKind.LateCharge, "STD", "Standard, 8 % a year", Charge(8, 0), 0);
        PolicyStore.Save(
            tx,
            PolicyKind.LateCharge,
            "PATIENT",
            "12 % after 15 days, banded",
            Charge(12, 15) with
            {
                Bands = [new(5000, 10)],
                Minimum = 0.50m,
                Maximum = 250,
                WhileDisputed = WhileDisputed.HeldUntilSettled,
            },
            0
        );
        PolicyStore.Save(
            tx,
            PolicyKind.LateCharge,
            "SHOWN",
            "8 %, shown and never posted",
            Charge(8, 0) with
            {
                ShownOnly = true,
            },
            0
        );
        PolicyStore.Save(
            tx,
            PolicyKind.ReferenceRate,
            "REFERENCE",
            "Reference rate, made up",
            new ReferenceRate
            {
                Rates =
                [
                    new(new(2024, 1, 1), 4.5m),
                    new(new(2024, 7, 1), 4.25m),
                    new(new(2025, 1, 1), 3.75m),
                    new(new(2025, 7, 1), 3.25m),
                    new(new(2026, 1, 1), 3),
                ],
            },
            0
        );
        PolicyStore.Save(
            tx,
            PolicyKind.LateCharge,
            "STATUTORY",
            "Statutory, with a fixed sum",
            new LateChargePolicy
            {
                Label = "Statutory interest",
                DayCount = DayCount.Of("act/365f"),
                Reference = new("REFERENCE", 8, FixedForLife: true, DayBefore: true),
                Compensation = [new(0, 40), new(1000, 70), new(10_000, 100)],
            },
            0
        );
        PolicyStore.Save(
            tx,
            PolicyKind.LateCharge,
            "MONTHLY",
            "1.5 % a month begun, taxed",
            new LateChargePolicy
            {
                Method = ChargeMethod.Monthly,
                Monthly = new(1.5m, MonthsCounted.Started),
                DayCount = DayCount.Of("act/365f"),
                WaitDays = 5,
                MaximumPerRun = 500,
                ExemptBelow = 25,
                InOtherCurrencies = [new("EUR", MaximumPerRun: 600, ExemptBelow: 30), new("USD", MaximumPerRun: 650)],
                TaxCode = "STANDARD",
                PostingAccount = "4915",
                Ceiling = new(24, "the company's own rule"),
            },
            0
        );
        DemoReminderPlans.Create(tx);
    }

    private static TaxCode Tax(params TaxRate[] rates) => new() { Rates = rates };

    // The yard is closed over the turn of the year and for stocktaking at the end of March.
    private static HolidayCalendar Yard() =>
        new()
        {
            Holidays =
            [
                .. Enumerable
                    .Range(2024, 4)
                    .SelectMany(year =>
                        new Holiday[]
                        {
                            new(new(year, 1, 1), "New Year"),
                            new(new(year, 3, 31), "Stocktaking"),
                            new(new(year, 5, 1), "Spring day"),
                            new(new(year, 8, 24), "Regatta day"),
                            new(new(year, 12, 25), "Yard closed"),
                            new(new(year, 12, 26), "Yard closed"),
                            new(new(year, 12, 31), "Yard closed"),
                        }
                    ),
            ],
        };

    private static LateChargePolicy Charge(decimal rate, int wait) =>
        new()
        {
            Rates = [new(new(2020, 1, 1), rate)],
            DayCount = DayCount.Of("act/365f"),
            WaitDays = wait,
        };
}
