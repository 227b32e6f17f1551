namespace KiteLine.Core;

/// <summary>One item of a posted invoice.</summary>
/// <param name="Instalment">Counted from 1.</param>
/// <param name="Opened">What it opened with.</param>
/// <param name="Left">What is open of it.</param>
public sealed record PostedInstalment(long Item, int Instalment, DateOnly Due, Money Opened, Money Left);
