namespace KiteLine.Core;

/// <summary>Everything a reminder letter is made of.</summary>
/// <param name="Number">The reminder's number.</param>
/// <param name="AddressLines">The customer's address below the name.</param>
/// <param name="Text">The texts of its level in the customer's language.</param>
/// <param name="Foot">Lines at the foot of each letter.</param>
/// <param name="ChargeLabel">The word the company prints for a late charge.</param>
public sealed record ReminderLetter(
    string Number,
    string CompanyName,
    IReadOnlyList<string> CompanyAddress,
    string AccountCode,
    string CustomerName,
    IReadOnlyList<string> AddressLines,
    ReminderProposal Proposal,
    LevelText Text,
    string ChargeLabel,
    IReadOnlyList<string> Foot
);
