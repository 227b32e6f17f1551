using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What is named about a document before it is posted; it may be posted all the same.</summary>
/// <param name="Code">likely-duplicate or unusual-date.</param>
/// <param name="Document">The document that it seems to repeat; null for a date.</param>
internal sealed record WarningView(string Code, string Text, string? Document)
{
    internal static WarningView Of(DocumentWarning w) => new(w.Code, w.Text, w.Document);
}
