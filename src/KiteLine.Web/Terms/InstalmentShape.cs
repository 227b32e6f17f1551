using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Terms as JSON: an instalment. Exactly one of percent, amount and remainder is given.</summary>
internal sealed record InstalmentShape(string? Percent, string? Amount, bool? Remainder, DueShape? Due);
