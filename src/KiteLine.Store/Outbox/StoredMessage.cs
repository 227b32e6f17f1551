using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A message to a customer, and how far it has come.</summary>
public sealed record StoredMessage
{
    /// <summary>Counted from 1.</summary>
    public long Id { get; init; }

    /// <summary>The account that it is about.</summary>
    public string Account { get; init; } = "";

    /// <summary>The account's name.</summary>
    public string Name { get; init; } = "";

    /// <summary>What it brings.</summary>
    public MessagePurpose Purpose { get; init; }

    /// <summary>The document that it brings; null for a reminder.</summary>
    public long? DocumentId { get; init; }

    /// <summary>The first day of a statement; null for whatever is none.</summary>
    public DateOnly? PeriodFrom { get; init; }

    /// <summary>The last day of a statement; null for whatever is none.</summary>
    public DateOnly? PeriodTo { get; init; }

    /// <summary>Number of the document, the reminder or the statement.</summary>
    public string Number { get; init; } = "";

    /// <summary>Which view it brings, as JSON; null where it brings none.</summary>
    public string? View { get; init; }

    /// <summary>By e-mail or on paper.</summary>
    public Delivery Delivery { get; init; }

    /// <summary>Where it goes, as addresses separated by semicolons; empty on paper.</summary>
    public string Recipients { get; init; } = "";

    /// <summary>Its subject; empty on paper.</summary>
    public string Subject { get; init; } = "";

    /// <summary>Its text; empty on paper.</summary>
    public string Body { get; init; } = "";

    /// <summary>Its identification for all time.</summary>
    public string MessageId { get; init; } = "";

    /// <summary>Who put it into the outbox.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>When that was.</summary>
    public string MadeAt { get; init; } = "";

    /// <summary>How far it has come.</summary>
    public MessageState State { get; init; }

    /// <summary>How often it was tried since somebody last said so.</summary>
    public int Tries { get; init; }

    /// <summary>When it is tried next; null where it is not.</summary>
    public string? DueAt { get; init; }

    /// <summary>What its last step says.</summary>
    public string Detail { get; init; } = "";

    /// <summary>When its last step was.</summary>
    public string LastAt { get; init; } = "";
}
