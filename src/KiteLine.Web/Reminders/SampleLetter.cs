using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A letter on an invented account, for trying out a reminder level.</summary>
internal static class SampleLetter
{
    internal static ReminderLetter Of(
        CompanySettings settings,
        ReminderPlan given,
        int number,
        string language,
        BooksRules rules
    )
    {
        var (level, today) = (given.Levels[number - 1], rules.Today);
        var currency = Currency.Of(settings.BaseCurrency);
        var policy = new LateChargePolicy { Rates = [new(new(2000, 1, 1), 8)], DayCount = DayCount.Of("act/365f") };
        var items = new[]
        {
            (Id: 1L, Amount: 1240.50m, Late: level.DaysAfterDue + 9),
            (Id: 2L, Amount: 386m, Late: level.DaysAfterDue),
        }
            .Select(s => new Item
            {
                Id = s.Id,
                Document = $"INV-SAMPLE-{s.Id}",
                Kind = ItemKind.Invoice,
                Date = today.AddDays(-s.Late - 30),
                Due = today.AddDays(-s.Late),
                Movements = [new(MovementKind.Opened, today.AddDays(-s.Late - 30), rules.Round(s.Amount, currency))],
                ReminderLevel = number - 1,
                Reminders = number - 1,
                RemindedOn = number == 1 ? null : today.AddDays(-level.DaysSincePrevious),
            })
            .ToList();
        // The sample is written whatever it owes, so that the letter can be seen.
        var plan = given with
        {
            AllowJumps = false,
            MostReminders = null,
            Levels = [.. given.Levels.Select(l => l with { LeastOverdue = 0 })],
        };
        // The letters of the levels before it went out in their time, so that what their fees do to this one is seen.
        var earlier = plan
            .Levels.Take(number - 1)
            .Select(
                (l, i) =>
                    new SentReminder(
                        $"level {i + 1}",
                        today.AddDays(i - number),
                        i + 1,
                        LetterFee
                            .Of(
                                plan,
                                i + 1,
                                items.Count,
                                items.Aggregate(Money.Zero(currency), (sum, x) => sum + x.Opened),
                                [],
                                [],
                                rules.Rounding
                            )
                            .Own,
                        l.FeeTreatment == Treatment.Post,
                        !l.AddEarlierFees,
                        [.. items.Select(x => x.Id)]
                    )
            )
            .ToList();
        var ledger = new AccountLedger
        {
            Book = new()
            {
                Id = 0,
                Code = "SAM01",
                Name = "Sample",
                Currency = currency,
            },
            Items = items,
            Letters = earlier,
            Policy = policy,
            Plan = plan,
        };
        var proposal = ReminderProposal.For(ledger, today, rules);
        return new(
            "SAMPLE",
            new(settings.Name, settings.Address, settings.LetterFoot),
            new("SAM01", "Sample Customer Ltd", ["1 Sample Street", "Sampleton"]),
            proposal,
            level.TextFor(language),
            policy.Label,
            CreditorReference.ForDocument("SAMPLE")
        );
    }
}
