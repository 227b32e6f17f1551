using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>An invoice or a credit note in the history of an account; a credit note's amounts are negative.</summary>
public sealed record DocumentRow
{
    /// <summary>The document.</summary>
    public long Id { get; init; }

    /// <summary>An invoice or a credit note.</summary>
    public ItemKind Kind { get; init; }

    /// <summary>Its number.</summary>
    public string Number { get; init; } = "";

    /// <summary>Its date.</summary>
    public DateOnly Date { get; init; }

    /// <summary>The reference that it bears.</summary>
    public string Reference { get; init; } = "";

    /// <summary>The invoice that a credit note names; empty for none.</summary>
    public string Credits { get; init; } = "";

    /// <summary>The posting that made it.</summary>
    public long EntryId { get; init; }

    /// <summary>The date of its latest amendment that stands; null without any.</summary>
    public DateOnly? AmendedOn { get; init; }

    /// <summary>Whether it was open before the books began.</summary>
    public bool FromOpening { get; init; }

    /// <summary>Whether its terms can be amended: something of an invoice is open.</summary>
    public bool CanAmend => Kind == ItemKind.Invoice && Open != 0;

    /// <summary>Whether it can be written again in one step: an invoice of which nothing is settled.</summary>
    public bool CanWriteAgain => Kind == ItemKind.Invoice && !FromOpening && Open == Net + Tax;

    /// <summary>Before tax, in minor units.</summary>
    public long Net { get; init; }

    /// <summary>In minor units.</summary>
    public long Tax { get; init; }

    /// <summary>What is left of it with everything that was posted, in minor units.</summary>
    public long Open { get; init; }
}
