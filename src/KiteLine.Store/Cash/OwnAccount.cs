using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A bank account of the company.</summary>
public sealed record OwnAccount
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>IBAN or another number, without spaces and in capitals; unique.</summary>
    public string Account { get; init; } = "";

    /// <summary>In which it is kept.</summary>
    public Currency Currency { get; init; } = null!;

    /// <summary>Code of the payment method by which money comes in on it.</summary>
    public string Method { get; init; } = "";
}
