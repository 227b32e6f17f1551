using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A letter on an invented account, for trying out a reminder level.</summary>
internal static class SampleLetter
{
    internal static ReminderLetter Of(CompanySettings settings, ReminderPlan given, int number, string language, DateOnly today)
    {
        var level = given.Levels[number - 1];
        var currency = Currency.Of(settings.BaseCurrency);
        var policy = new LateChargePolicy { Rates = [new(new(2000, 1, 1), 8)], DayCount = DayCount.Of("act/365f") };
        var items = new[] { (Id: 1L, Amount: 1240.50m, Late: level.DaysAfterDue + 9), (Id: 2L, Amount: 386m, Late: level.DaysAfterDue) }.Select(s => new Item
        {
            Id = s.Id,
            Document = $"INV-SAMPLE-{s.Id}",
            Kind = ItemKind.Invoice,
            Date = today.AddDays(-s.Late - 30),
            Due = today.AddDays(-s.Late),
            Movements = [new(MovementKind.Opened, today.AddDays(-s.Late - 30), Money.Round(s.Amount, currency))],
            ReminderLevel = number - 1,
            Reminders = number - 1,
            RemindedOn = number == 1 ? null : today.AddDays(-level.DaysSincePrevious),
        }).ToList();
        // The sample is written whatever it owes, so that the letter can be seen.
        var plan = given with { AllowJumps = false, MostReminders = null, Levels = [.. given.Levels.Select(l => l with { LeastOverdue = 0 })] };
        var proposal = ReminderProposal.For(items, plan, policy, currency, today);
        return new("SAMPLE", settings.Name, settings.Address, "SAM01", "Sample Customer Ltd", ["1 Sample Street", "Sampleton"], proposal, level.TextFor(language), policy.Label, settings.LetterFoot);
    }
}
