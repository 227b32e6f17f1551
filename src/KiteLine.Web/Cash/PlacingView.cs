using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What money that came in could settle on an account.</summary>
/// <param name="Account">The account it is looked at for; null where nobody is recognised and none was chosen.</param>
/// <param name="Why">By what the payer was recognised; empty where the account was chosen.</param>
/// <param name="Named">Where the text names documents of the account.</param>
/// <param name="RuleWhy">Why these items are proposed.</param>
/// <param name="Proposed">The items that are proposed.</param>
/// <param name="Items">The account's open items.</param>
internal sealed record PlacingView(
    string? Account,
    string? AccountName,
    string Why,
    IReadOnlyList<NamedItemView> Named,
    AllocationRule? Rule,
    string RuleWhy,
    decimal Confidence,
    IReadOnlyList<long> Proposed,
    IReadOnlyList<OpenItemView> Items
)
{
    internal static PlacingView Nobody { get; } = new(null, null, "", [], null, "", 0, [], []);
}
