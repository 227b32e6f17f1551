using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What is seen of an electronic invoice or credit note; a credit note's amounts are positive.</summary>
/// <param name="File">The file it stands in.</param>
/// <param name="Account">Null where no account is found.</param>
/// <param name="Due">Of several instalments the last; null where nothing says when.</param>
/// <param name="Problems">Empty where it can be stored.</param>
internal sealed record DocumentEntry(
    string File,
    string Number,
    ItemKind Kind,
    string? Account,
    DateOnly? Date,
    DateOnly? Due,
    string? Net,
    string? Tax,
    string? Gross,
    IReadOnlyList<string> Problems
);
