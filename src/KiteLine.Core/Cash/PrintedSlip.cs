namespace KiteLine.Core;

/// <summary>A slip with which money taken by hand is paid in.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Company">Who pays in.</param>
/// <param name="Account">The bank account that it is paid in to.</param>
/// <param name="Method">How the money was taken.</param>
/// <param name="BankedOn">The day.</param>
/// <param name="Total">What the receipts add up to.</param>
public sealed record PrintedSlip(
    string Number,
    string Company,
    IReadOnlyList<string> CompanyAddress,
    string Account,
    string Method,
    DateOnly BankedOn,
    Money Total,
    IReadOnlyList<PrintedSlipLine> Lines
);
