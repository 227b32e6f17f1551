namespace KiteLine.Web;

/// <summary>An electronic invoice or credit note that was brought in, or looked at.</summary>
/// <param name="Effect">What storing it did, or would do; null where it cannot be stored.</param>
internal sealed record ReceivedDocumentView(DocumentEntry Document, EffectView? Effect);
