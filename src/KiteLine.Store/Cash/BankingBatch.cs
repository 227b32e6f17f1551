using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Money taken by hand that is banked together, on one slip.</summary>
public sealed record BankingBatch
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>The number of its slip.</summary>
    public string Number { get; init; } = "";

    /// <summary>The company's bank account that it is paid in to.</summary>
    public string Account { get; init; } = "";

    /// <summary>In which that is kept.</summary>
    public Currency Currency { get; init; } = null!;

    /// <summary>Code of the method by which the money was taken.</summary>
    public string Method { get; init; } = "";

    /// <summary>The day on which it is banked.</summary>
    public DateOnly BankedOn { get; init; }

    /// <summary>Who made it, by full name.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>How many receipts stand on it.</summary>
    public long Receipts { get; init; }

    /// <summary>What they add up to, in minor units.</summary>
    public long Total { get; init; }

    /// <summary>What of them was reversed before the bank credited the slip, in minor units.</summary>
    public long Reversed { get; init; }

    /// <summary>The entry by which the bank credited it; null while it has not.</summary>
    public long? SettledBy { get; init; }

    /// <summary>What the bank credited, in minor units; null while it has not.</summary>
    public long? Credited { get; init; }

    /// <summary>Whether nothing stands on it any more; the bank is to credit nothing.</summary>
    public bool IsVoid => Receipts == 0;

    /// <summary>What the bank is to credit: the total, less what was reversed meanwhile.</summary>
    public Money Expected => Money.FromMinor(Total - Reversed, Currency);
}
