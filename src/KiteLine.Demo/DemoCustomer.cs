using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>A customer of the demo while its history is being made.</summary>
internal sealed class DemoCustomer(
    Account account,
    StoredPolicy<TermsDefinition> terms,
    DemoHabit habit,
    decimal monthly,
    Random random
)
{
    internal Account Account { get; } = account;

    internal StoredPolicy<TermsDefinition> Terms { get; } = terms;

    internal DemoHabit Habit { get; } = habit;

    /// <summary>What it buys in a usual month, net.</summary>
    internal decimal Monthly { get; } = monthly;

    internal Random Random { get; } = random;

    /// <summary>Invoices made so far, for habits that go by count.</summary>
    internal int Invoices { get; set; }

    /// <summary>Payments agreed with itself: on which day which items are paid.</summary>
    internal SortedDictionary<DateOnly, List<long>> Plan { get; } = [];
}
