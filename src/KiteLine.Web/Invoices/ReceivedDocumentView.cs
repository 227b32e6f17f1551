namespace KiteLine.Web;

/// <summary>An electronic invoice or credit note that was brought in, or looked at.</summary>
/// <param name="Effect">What storing it did, or would do; null where it cannot be stored.</param>
/// <param name="CanBeStored">Whether nothing is wrong with it and its check lets it go.</param>
/// <param name="NeedsReason">Whether it can be stored with a reason alone.</param>
internal sealed record ReceivedDocumentView(
    DocumentEntry Document,
    EffectView? Effect,
    bool CanBeStored = false,
    bool NeedsReason = false
);
