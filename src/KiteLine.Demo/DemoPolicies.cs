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
        Defaults = new("n/30", 1500, "STD", "STANDARD"),
    };

    internal static void Create(Tx tx)
    {
        foreach (var text in Terms.Distinct()) PolicyStore.TermsByText(tx, text);
        PolicyStore.Save(tx, PolicyKind.LateCharge, "STD", "Standard, 8 % a year", Charge(8, 0), 0);
        PolicyStore.Save(tx, PolicyKind.LateCharge, "PATIENT", "12 % after 15 days, banded", Charge(12, 15) with
        {
            Bands = [new(5000, 10)],
            Minimum = 0.50m,
            Maximum = 250,
        }, 0);
        PolicyStore.Save(tx, PolicyKind.LateCharge, "SHOWN", "8 %, shown and never posted", Charge(8, 0) with { ShownOnly = true }, 0);
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

    private static LateChargePolicy Charge(decimal rate, int wait) => new()
    {
        Rates = [new(new(2020, 1, 1), rate)],
        DayCount = DayCount.Of("act/365f"),
        WaitDays = wait,
    };
}
