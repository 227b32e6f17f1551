using System.Text.RegularExpressions;
using System.Xml.Linq;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>
/// Reads bank statements of ISO 20022: <c>camt.053.001.02</c> to <c>.08</c>, known by what they hold and not by the name
/// of the file.
/// </summary>
public static partial class Camt053
{
    // Where a payer gives no reference of its own, banks write this.
    private const string NotProvided = "NOTPROVIDED";

    [GeneratedRegex(@"^urn:iso:std:iso:20022:tech:xsd:camt\.053\.001\.0[2-8]$")]
    private static partial Regex Version();

    /// <summary>The statements of a file, in their order.</summary>
    /// <exception cref="RefusedException">It is no XML, no such message, or lacks something; names the
    /// element.</exception>
    public static IReadOnlyList<BankStatement> Read(byte[] content)
    {
        ArgumentNullException.ThrowIfNull(content);
        var root = XmlFile.Read(content);
        var ns = root.Name.Namespace;
        if (root.Name.LocalName != "Document" || !Version().IsMatch(ns.NamespaceName))
            throw new RefusedException(
                "file",
                "This is no bank statement camt.053.001.02 to .08; its outermost element is "
                    + $"‘{root.Name.LocalName}’ of ‘{root.Name.NamespaceName}’."
            );
        var message = root.Element(ns + "BkToCstmrStmt") ?? throw Missing("BkToCstmrStmt");
        var statements = message.Elements(ns + "Stmt").Select(s => new CamtStatement(s, ns).Read()).ToList();
        return statements.Count > 0 ? statements : throw Missing("Stmt");
    }

    internal static RefusedException Missing(string what) => new("file", $"The statement lacks {what}.");

    /// <summary>A name by which something is known, which is never cut off.</summary>
    /// <exception cref="RefusedException">It is longer than a line, or holds a control character.</exception>
    internal static string Bounded(string text, string what) =>
        TextBounds.Problem(text) is { } problem ? throw new RefusedException("file", $"The {what}: {problem}") : text;

    /// <summary>A reference that says something; null for none.</summary>
    internal static string? Known(string? reference) =>
        reference is { Length: > 0 } && reference != NotProvided ? reference : null;
}
