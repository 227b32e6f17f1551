using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>The company's settings with the version that guards against two people changing them at once.</summary>
public sealed record StoredCompany(CompanySettings Settings, long Version);
