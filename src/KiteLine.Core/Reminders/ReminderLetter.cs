namespace KiteLine.Core;

/// <summary>Everything a reminder letter is made of.</summary>
/// <param name="Number">The reminder's number.</param>
/// <param name="Text">The texts of its level in the customer's language.</param>
/// <param name="ChargeLabel">The word the company prints for a late charge.</param>
/// <param name="PaymentReference">The reference to pay with (ISO 11649); empty where the number cannot be written as
/// one.</param>
public sealed record ReminderLetter(
    string Number,
    Letterhead From,
    Addressee To,
    ReminderProposal Proposal,
    LevelText Text,
    string ChargeLabel,
    string PaymentReference
);
