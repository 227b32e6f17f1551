using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What a document was printed on and to whom, with the sentences that stood on it.</summary>
public sealed record PaperOfDocument(Letterhead From, Addressee To, string LateCharge, string Exemption);
