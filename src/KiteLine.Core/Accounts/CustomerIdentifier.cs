namespace KiteLine.Core;

/// <summary>An identifier of a customer.</summary>
/// <param name="Scheme">One of <see cref="TaxIdentifier.Schemes"/>.</param>
/// <param name="Number">Without spaces and dots, in capitals.</param>
public sealed record CustomerIdentifier(string Scheme, string Number);
