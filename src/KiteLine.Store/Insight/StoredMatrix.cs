using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A provision matrix as it was decided.</summary>
/// <param name="Reason">Why it was.</param>
public sealed record StoredMatrix(long Id, ProvisionMatrix Matrix, string Reason, string MadeBy, string MadeAt);
