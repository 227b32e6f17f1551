using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A charge document as the books have it.</summary>
/// <param name="Policy">The version of the policy by which it was worked out; null where that is not known.</param>
/// <param name="Reversed">Whether it was taken back.</param>
public sealed record StoredCharge(
    long DocumentId,
    Account Account,
    string Number,
    DateOnly Date,
    Money Net,
    Money Tax,
    IReadOnlyList<PrintedChargeLine> Lines,
    LateChargePolicy? Policy,
    bool Reversed
);
