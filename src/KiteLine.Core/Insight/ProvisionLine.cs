namespace KiteLine.Core;

/// <summary>What is expected to be lost of one age, in the base currency.</summary>
/// <param name="Bucket">The age, as ageings name it.</param>
/// <param name="Gross">Debits less credits as shown.</param>
/// <param name="Rate">In percent.</param>
/// <param name="Loss">The rate of the gross amount, rounded once; nothing where credits exceed debits.</param>
public sealed record ProvisionLine(string Bucket, MoneySum Gross, decimal Rate, MoneySum Loss);
