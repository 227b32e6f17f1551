namespace KiteLine.Core;

/// <summary>By which rules of the company the past is replayed.</summary>
/// <param name="Books">The company's rules as they are today; new terms go by their calendar.</param>
/// <param name="Positions">How it looks at where an account stands.</param>
public sealed record ReplayRules(BooksRules Books, PositionRules Positions);
