namespace KiteLine.Core;

/// <summary>Whether a posting can be taken back.</summary>
public static class ReversalDecision
{
    /// <exception cref="RefusedException">Says why not.</exception>
    public static void RefuseUnlessPossible(PostedEntry entry, string reason)
    {
        ArgumentNullException.ThrowIfNull(entry);
        Reason.Needed(reason);
        if (entry.Reversed)
            throw new RefusedException("entry", "This posting was reversed already.");
        if (entry.Kind == PostingKind.Reversal)
            throw new RefusedException("entry", "A reversal is not reversed; post the original again instead.");
        if (entry is { OfOneAccount: false, Kind: PostingKind.Receipt })
            throw new RefusedException(
                "entry",
                "Nobody is assigned to this receipt; take it back from the unassigned receipts."
            );
        if (entry.Kind == PostingKind.Clearing)
            throw new RefusedException(
                "entry",
                "This settled a refund or a slip; take it back from the line of the bank statement."
            );
        if (!entry.OfOneAccount)
            throw new RefusedException(
                "entry",
                "Opening items that came in together are reversed one document at a time, on the account."
            );
        RefuseBuiltOn(entry.BuiltOnBy);
    }

    /// <summary>
    /// As <see cref="RefuseUnlessPossible"/>, for one document of those that were open before the books began.
    /// </summary>
    /// <exception cref="RefusedException">Says why not.</exception>
    public static void RefuseUnlessPossibleOfOpening(PostedEntry document, string reason)
    {
        ArgumentNullException.ThrowIfNull(document);
        Reason.Needed(reason);
        if (document.Kind != PostingKind.Opening)
            throw new RefusedException("document", "This is no opening document; reverse its posting instead.");
        if (document.Reversed)
            throw new RefusedException("document", "This document was reversed already.");
        RefuseBuiltOn(document.BuiltOnBy);
    }

    private static void RefuseBuiltOn(string? later)
    {
        if (later is not null)
            throw new RefusedException("entry", $"‘{later}’ was posted later and builds on this; reverse that first.");
    }
}
