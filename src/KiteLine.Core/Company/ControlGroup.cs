namespace KiteLine.Core;

/// <summary>Customers whose balances stand on a receivables account of their own.</summary>
/// <param name="Account">The company's account number for them.</param>
public sealed record ControlGroup(string Code, string Name, string Account);
