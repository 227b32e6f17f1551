namespace KiteLine.Web;

/// <param name="Posted">How many were posted now.</param>
/// <param name="Left">How many that are certain still wait.</param>
internal sealed record PostedCertainView(int Posted, int Left);
