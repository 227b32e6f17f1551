using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>The reminder plans of the demo company.</summary>
internal static class DemoReminderPlans
{
    internal static void Create(Tx tx)
    {
        PolicyStore.Save(tx, PolicyKind.ReminderPlan, "STANDARD", "Three letters, then stop", Standard, 0);
        PolicyStore.Save(tx, PolicyKind.ReminderPlan, "GENTLE", "Two letters, fee shown only", Gentle, 0);
        PolicyStore.Save(
            tx,
            PolicyKind.ReminderPlan,
            "ABROAD",
            "By e-mail, in two languages, fee by amount",
            Abroad,
            0
        );
    }

    private static ReminderPlan Standard =>
        new()
        {
            Levels =
            [
                new()
                {
                    DaysAfterDue = 7,
                    DaysToPay = 7,
                    LeastOverdue = 10,
                    Texts =
                    [
                        new(
                            "",
                            "A reminder of what is due",
                            "Dear Sir or Madam,\nour books show the following as due and not yet paid. If payment is "
                                + "on its way, please take no notice of this letter.",
                            "Please quote your account {{ account }} with the payment.\n{{ company }}, Credit control"
                        ),
                    ],
                },
                new()
                {
                    DaysAfterDue = 21,
                    DaysSincePrevious = 10,
                    DaysToPay = 7,
                    LeastOverdue = 10,
                    Fee = new ReminderFee.PerLetter(12),
                    FeeTreatment = Treatment.Post,
                    InOtherCurrencies = [new("EUR", LeastOverdue: 12, Fee: new ReminderFee.PerLetter(15))],
                    LateCharge = Treatment.Show,
                    SetsState = AccountState.Watch,
                    Texts =
                    [
                        new(
                            "",
                            "Second reminder: {{ overdue }} overdue",
                            "Dear Sir or Madam,\nwe wrote to you before about the items below, of which the oldest "
                                + "is {{ oldest_days }} days overdue.",
                            "We ask for {{ total }} by {{ pay_by }}. If anything is not as you see it, please call "
                                + "us before that day.\n{{ company }}, Credit control"
                        ),
                    ],
                },
                new()
                {
                    DaysAfterDue = 40,
                    DaysSincePrevious = 14,
                    DaysToPay = 5,
                    LeastOverdue = 10,
                    Fee = new ReminderFee.PerLetter(25),
                    FeeTreatment = Treatment.Post,
                    LateCharge = Treatment.Show,
                    SetsState = AccountState.Stop,
                    AskColleague = "the account's salesperson",
                    Texts =
                    [
                        new(
                            "",
                            "Last reminder before further steps",
                            "Dear Sir or Madam,\nin spite of our letters the items below are not paid. We have "
                                + "stopped supply to account {{ account }}.",
                            "Without payment of {{ total }} by {{ pay_by }} we shall hand the matter on without "
                                + "writing again.\n{{ company }}, Credit control"
                        ),
                    ],
                },
            ],
        };

    private static ReminderPlan Gentle =>
        new()
        {
            MostReminders = 4,
            Levels =
            [
                new()
                {
                    DaysAfterDue = 14,
                    DaysToPay = 10,
                    LeastOverdue = 50,
                    Texts =
                    [
                        new(
                            "",
                            "Your account with us",
                            "Dear {{ customer }},\nmay we draw your attention to the items below.",
                            "With kind regards\n{{ company }}"
                        ),
                    ],
                },
                new()
                {
                    DaysAfterDue = 35,
                    DaysSincePrevious = 28,
                    DaysToPay = 10,
                    LeastOverdue = 50,
                    Fee = new ReminderFee.PerItem(5),
                    MostFee = 20,
                    FeeTreatment = Treatment.Show,
                    LateCharge = Treatment.Show,
                    Texts =
                    [
                        new(
                            "",
                            "Your account with us: {{ overdue }} overdue",
                            "Dear {{ customer }},\nthe items below are still open.",
                            "Please pay {{ total }} by {{ pay_by }}.\n{{ company }}"
                        ),
                    ],
                },
            ],
        };

    private static ReminderPlan Abroad =>
        new()
        {
            AllowJumps = true,
            Levels =
            [
                new()
                {
                    DaysAfterDue = 10,
                    DaysToPay = 10,
                    Delivery = Delivery.Email,
                    Texts =
                    [
                        new(
                            "",
                            "Your account {{ account }}",
                            "Dear {{ customer }},\nthe items below are past their date.",
                            "Please let us have {{ total }} by {{ pay_by }}.\n{{ company }}"
                        ),
                        new(
                            "de",
                            "Ihr Konto {{ account }}",
                            "Guten Tag {{ customer }},\ndie folgenden Posten sind fällig.",
                            "Bitte zahlen Sie {{ total }} bis zum {{ pay_by }}.\n{{ company }}"
                        ),
                    ],
                },
                new()
                {
                    DaysAfterDue = 30,
                    DaysSincePrevious = 14,
                    DaysToPay = 10,
                    Delivery = Delivery.Email,
                    FeeTreatment = Treatment.Post,
                    LateCharge = Treatment.Post,
                    Fee = new ReminderFee.ByBand([new(0, 10), new(1000, 20), new(10_000, 40)]),
                    SetsState = AccountState.Watch,
                    HandToCollection = true,
                    Texts =
                    [
                        new(
                            "",
                            "Second and last request: {{ overdue }}",
                            "Dear {{ customer }},\nour first request has gone unanswered.",
                            "We ask for {{ total }} by {{ pay_by }}.\n{{ company }}"
                        ),
                        new(
                            "de",
                            "Zweite und letzte Aufforderung: {{ overdue }}",
                            "Guten Tag {{ customer }},\nauf unser erstes Schreiben haben wir nichts gehört.",
                            "Bitte zahlen Sie {{ total }} bis zum {{ pay_by }}.\n{{ company }}"
                        ),
                    ],
                },
            ],
        };
}
