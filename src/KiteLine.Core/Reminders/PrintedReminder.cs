namespace KiteLine.Core;

/// <summary>A reminder that was issued, as it was, for whoever wants it as data.</summary>
public sealed record PrintedReminder
{
    /// <summary>Its number.</summary>
    public required string Number { get; init; }

    /// <summary>The date of the letter.</summary>
    public required DateOnly Date { get; init; }

    /// <summary>The day it asks to be paid by.</summary>
    public required DateOnly PayBy { get; init; }

    /// <summary>How many letters its account got of this plan before this one, and this one: its level.</summary>
    public required int Level { get; init; }

    /// <summary>Who writes.</summary>
    public required Letterhead From { get; init; }

    /// <summary>Whom it went to.</summary>
    public required Addressee To { get; init; }

    /// <summary>What it asked for, oldest due first.</summary>
    public required IReadOnlyList<PrintedReminderLine> Lines { get; init; }

    /// <summary>Its own fee and those of earlier letters that it asks for again.</summary>
    public required Money Fees { get; init; }

    /// <summary>What it states as late charge.</summary>
    public required Money LateCharge { get; init; }

    /// <summary>All that it asks for.</summary>
    public required Money Total { get; init; }
}
