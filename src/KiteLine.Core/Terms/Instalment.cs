namespace KiteLine.Core;

/// <summary>One line of the instalment plan: which part of the invoice, and when it falls due.</summary>
public sealed record Instalment(InstalmentShare Share, DueRule Due);
