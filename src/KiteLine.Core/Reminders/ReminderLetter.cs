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
)
{
    /// <summary>
    /// Whether another letter of the same items prints alike: letterhead, address, texts, the word for a late charge, level,
    /// total and day to pay by. The items are compared by the caller.
    /// </summary>
    public bool ReadsAs(ReminderLetter other)
    {
        ArgumentNullException.ThrowIfNull(other);
        return Number == other.Number
            && From.PrintsAs(other.From)
            && To.PrintsAs(other.To)
            && Text == other.Text
            && ChargeLabel == other.ChargeLabel
            && PaymentReference == other.PaymentReference
            && Proposal.Level == other.Proposal.Level
            && Proposal.Total == other.Proposal.Total
            && Proposal.PayBy == other.Proposal.PayBy;
    }
}
