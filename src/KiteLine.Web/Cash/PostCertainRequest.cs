namespace KiteLine.Web;

/// <param name="Most">How many are posted in this request; 200 unless it is given. Send it again until none is
/// left.</param>
internal sealed record PostCertainRequest(int? Most);
