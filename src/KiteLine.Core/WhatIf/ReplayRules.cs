namespace KiteLine.Core;

/// <summary>By which rules of the company the past is replayed.</summary>
/// <param name="Books">The company's rules as they are today.</param>
/// <param name="Positions">How it looks at where an account stands.</param>
/// <param name="Calendar">The business days that new terms go by.</param>
public sealed record ReplayRules(BooksRules Books, PositionRules Positions, BusinessCalendar Calendar);
