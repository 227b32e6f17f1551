using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>The settings and policies of the demo company. Rates are made up.</summary>
internal static class DemoPolicies
{
    internal static readonly string[] Terms = ["2/10 n/30", "n/30", "3/7, 1/14 n/45", "n/30 EOM", "2/10 n/30", "15 prox", "40% now, rest 20", "n/14"];

    internal static readonly DateOnly BusinessDate = new(2026, 3, 16);

    internal static CompanySettings Company => new()
    {
        Name = "Saltmarsh Cordage & Canvas",
        Address = ["Ropewalk Yard, 14 Capstan Street", "Harrowmouth HX1 2QA", "accounts@saltmarsh-cordage.example"],
        PinnedBusinessDate = BusinessDate,
        Allowance = new(5, 1),
        Calendar = "YARD",
        TermsLimits = new(AnnualCost: 60),
        Defaults = new("n/30", 1500, "STD", "STANDARD"),
    };

    internal static void Create(Tx tx)
    {
        foreach (var text in Terms.Distinct()) PolicyStore.TermsByText(tx, text);
        PolicyStore.Save(tx, PolicyKind.Terms, "TRADE", "Trade counter, on goods without tax", TermsDefinition.Checked(
            "2/10 n/30", new() { Base = DiscountBase.Net, GraceDays = 2, BusinessDays = BusinessDayRule.Next, PartPayments = true },
            "{% for d in discounts %}Pay {{ d.payable }} by {{ d.deadline }} and keep {{ d.amount }}. {% endfor %}Otherwise {{ total }} is due on {{ due }}."), 0);
        PolicyStore.Save(tx, PolicyKind.Terms, "SEASON", "Spring fit-out, paid after the season", TermsDefinition.Checked("30% now, rest 15 prox cut-off 20 +2m"), 0);
        PolicyStore.Save(tx, PolicyKind.Calendar, "YARD", "Ropewalk Yard", Yard(), 0);
        PolicyStore.Save(tx, PolicyKind.Calendar, "HALYARD", "Halyard depot", new HolidayCalendar { Holidays = [new(new(2026, 6, 29), "Harbour day"), new(new(2026, 12, 24), "Depot closed")] }, 0);
        PolicyStore.Save(tx, PolicyKind.TaxCode, "STANDARD", "Standard rate", Tax(new TaxRate(new(2020, 1, 1), 20, [new("Revenue office", 20)])), 0);
        PolicyStore.Save(tx, PolicyKind.TaxCode, "ISLES", "Outer isles, in two parts", Tax(
            new TaxRate(new(2020, 1, 1), 7.5m, [new("Isles council", 5), new("Harbour board", 2.5m)]),
            new TaxRate(new(2026, 1, 1), 8.25m, [new("Isles council", 5.5m), new("Harbour board", 2.75m)])) with
        { FreightTaxed = false }, 0);
        PolicyStore.Save(tx, PolicyKind.TaxCode, "NONE", "Sales abroad, not taxed", Tax(new TaxRate(new(2020, 1, 1), 0, [new("Revenue office", 0)])), 0);
        PolicyStore.Save(tx, PolicyKind.LateCharge, "STD", "Standard, 8 % a year", Charge(8, 0), 0);
        PolicyStore.Save(tx, PolicyKind.LateCharge, "PATIENT", "12 % after 15 days, banded", Charge(12, 15) with
        {
            Bands = [new(5000, 10)],
            Minimum = 0.50m,
            Maximum = 250,
        }, 0);
        PolicyStore.Save(tx, PolicyKind.LateCharge, "SHOWN", "8 %, shown and never posted", Charge(8, 0) with { ShownOnly = true }, 0);
        PolicyStore.Save(tx, PolicyKind.ReferenceRate, "REFERENCE", "Reference rate, made up", new ReferenceRate
        {
            Rates = [new(new(2024, 1, 1), 4.5m), new(new(2024, 7, 1), 4.25m), new(new(2025, 1, 1), 3.75m), new(new(2025, 7, 1), 3.25m), new(new(2026, 1, 1), 3)],
        }, 0);
        PolicyStore.Save(tx, PolicyKind.LateCharge, "STATUTORY", "Statutory, with a fixed sum", new LateChargePolicy
        {
            Label = "Statutory interest",
            DayCount = DayCount.Of("act/365f"),
            Reference = new("REFERENCE", 8, FixedForLife: true, DayBefore: true),
            Compensation = [new(0, 40), new(1000, 70), new(10_000, 100)],
        }, 0);
        PolicyStore.Save(tx, PolicyKind.LateCharge, "MONTHLY", "1.5 % a month begun, taxed", new LateChargePolicy
        {
            Method = ChargeMethod.Monthly,
            Monthly = new(1.5m, MonthsCounted.Started),
            DayCount = DayCount.Of("act/365f"),
            WaitDays = 5,
            MaximumPerRun = 500,
            ExemptBelow = 25,
            TaxCode = "STANDARD",
            PostingAccount = "4915",
            Ceiling = new(24, "the company's own rule"),
        }, 0);
        PolicyStore.Save(tx, PolicyKind.ReminderPlan, "STANDARD", "Three letters, then stop", new ReminderPlan
        {
            Levels =
            [
                new()
                {
                    DaysAfterDue = 7, DaysToPay = 7, LeastOverdue = 10, Subject = "A reminder of what is due",
                    Opening = "Dear Sir or Madam,\nour books show the following as due and not yet paid. If payment is on its way, please take no notice of this letter.",
                    Closing = "Please quote your account {{ account }} with the payment.\n{{ company }}, Credit control",
                },
                new()
                {
                    DaysAfterDue = 21, DaysSincePrevious = 10, DaysToPay = 7, LeastOverdue = 10, Fee = 12, FeeTreatment = FeeTreatment.Post, ShowLateCharge = true,
                    SetsState = AccountState.Watch, Subject = "Second reminder: {{ overdue }} overdue",
                    Opening = "Dear Sir or Madam,\nwe wrote to you before about the items below, of which the oldest is {{ oldest_days }} days overdue.",
                    Closing = "We ask for {{ total }} by {{ pay_by }}. If anything is not as you see it, please call us before that day.\n{{ company }}, Credit control",
                },
                new()
                {
                    DaysAfterDue = 40, DaysSincePrevious = 14, DaysToPay = 5, LeastOverdue = 10, Fee = 25, FeeTreatment = FeeTreatment.Post, ShowLateCharge = true,
                    SetsState = AccountState.Stop, Subject = "Last reminder before further steps",
                    Opening = "Dear Sir or Madam,\nin spite of our letters the items below are not paid. We have stopped supply to account {{ account }}.",
                    Closing = "Without payment of {{ total }} by {{ pay_by }} we shall hand the matter on without writing again.\n{{ company }}, Credit control",
                },
            ],
        }, 0);
        PolicyStore.Save(tx, PolicyKind.ReminderPlan, "GENTLE", "Two letters, fee shown only", new ReminderPlan
        {
            Levels =
            [
                new()
                {
                    DaysAfterDue = 14, DaysToPay = 10, LeastOverdue = 50, Subject = "Your account with us",
                    Opening = "Dear {{ customer }},\nmay we draw your attention to the items below.", Closing = "With kind regards\n{{ company }}",
                },
                new()
                {
                    DaysAfterDue = 35, DaysSincePrevious = 14, DaysToPay = 10, LeastOverdue = 50, Fee = 10, FeeTreatment = FeeTreatment.Show, ShowLateCharge = true,
                    Subject = "Your account with us: {{ overdue }} overdue",
                    Opening = "Dear {{ customer }},\nthe items below are still open.", Closing = "Please pay {{ total }} by {{ pay_by }}.\n{{ company }}",
                },
            ],
        }, 0);
    }

    private static TaxCode Tax(params TaxRate[] rates) => new() { Rates = rates };

    // The yard is closed over the turn of the year and for stocktaking at the end of March.
    private static HolidayCalendar Yard() => new()
    {
        Holidays = [.. Enumerable.Range(2024, 4).SelectMany(year => new Holiday[]
        {
            new(new(year, 1, 1), "New Year"), new(new(year, 3, 31), "Stocktaking"), new(new(year, 5, 1), "Spring day"), new(new(year, 8, 24), "Regatta day"),
            new(new(year, 12, 25), "Yard closed"), new(new(year, 12, 26), "Yard closed"), new(new(year, 12, 31), "Yard closed"),
        })],
    };

    private static LateChargePolicy Charge(decimal rate, int wait) => new()
    {
        Rates = [new(new(2020, 1, 1), rate)],
        DayCount = DayCount.Of("act/365f"),
        WaitDays = wait,
    };
}
