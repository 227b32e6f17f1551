namespace KiteLine.Core;

/// <summary>Subject and text of messages, as templates.</summary>
public sealed record MessageText(string Subject, string Body)
{
    /// <summary>What is written where the company has no text of its own.</summary>
    public static MessageText Usual(MessagePurpose purpose) =>
        purpose switch
        {
            MessagePurpose.Invoice => new(
                "Invoice {{ number }} from {{ company }}",
                "Dear customer,\n\nplease find attached our invoice {{ number }} of {{ date }} for {{ amount }}"
                    + "{% if due != \"\" %}, to be paid by {{ due }}{% endif %}.\n\nKind regards\n{{ company }}"
            ),
            MessagePurpose.CreditNote => new(
                "Credit note {{ number }} from {{ company }}",
                "Dear customer,\n\nplease find attached our credit note {{ number }} of {{ date }} for {{ amount }}.\n\n"
                    + "Kind regards\n{{ company }}"
            ),
            MessagePurpose.Receipt => new(
                "Receipt {{ number }} from {{ company }}",
                "Dear customer,\n\nthank you for your payment of {{ amount }}. The receipt attached says what it "
                    + "settled.\n\nKind regards\n{{ company }}"
            ),
            MessagePurpose.Reminder => new(
                "Reminder {{ number }} from {{ company }}",
                "Dear customer,\n\nplease find attached our reminder {{ number }} for {{ amount }}"
                    + "{% if due != \"\" %}, to be paid by {{ due }}{% endif %}.\n\nKind regards\n{{ company }}"
            ),
            MessagePurpose.LateCharge => new(
                "{{ number }} from {{ company }}",
                "Dear customer,\n\nplease find attached {{ number }} of {{ date }} for {{ amount }}, what has accrued on "
                    + "invoices that were not paid in time.\n\nKind regards\n{{ company }}"
            ),
            MessagePurpose.Statement => new(
                "Statement of account {{ account }} from {{ company }}",
                "Dear customer,\n\nplease find attached the statement of your account to {{ date }}. {{ amount }} is "
                    + "open.\n\nKind regards\n{{ company }}"
            ),
            MessagePurpose.View => new(
                "{{ number }}, {{ date }}",
                "{{ number }} of {{ date }} is attached.\n\n{{ company }}"
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(purpose), purpose, null),
        };
}
