namespace KiteLine.Core;

/// <summary>One line of a derivation: what it is, how it came about, and its value.</summary>
/// <param name="Label">What the value is, in the trade's words.</param>
/// <param name="Formula">The inputs put into the formula, or where an input came from.</param>
/// <param name="Value">The result as text, money with all decimals of its currency.</param>
public sealed record Working(string Label, string Formula, string Value);
