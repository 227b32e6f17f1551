using System.Xml.Linq;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Reads elements of the Universal Business Language 2.1 (OASIS Standard of 4 November 2013).</summary>
internal static class Ubl
{
    internal static readonly XNamespace Cac =
        "urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2";

    internal static readonly XNamespace Cbc = "urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2";

    /// <summary>The text of a basic component; null where it is missing or empty.</summary>
    internal static string? Text(XElement? of, string name) =>
        of?.Element(Cbc + name)?.Value.Trim() is { Length: > 0 } text ? text : null;

    /// <summary>A day; null where it is missing.</summary>
    /// <exception cref="RefusedException">It is no date; names the element.</exception>
    internal static DateOnly? Day(XElement? element)
    {
        if (element is null)
            return null;
        // A date may bear a time zone, which says nothing of the day that is meant.
        return element.Value.Trim() is { Length: >= 10 } text && DayText.TryRead(text[..10], out var day)
            ? day
            : throw new RefusedException(
                "file",
                $"{element.Name.LocalName} holds ‘{Short(element)}’, which is no date."
            );
    }

    /// <summary>An amount in a currency; null where it is missing.</summary>
    /// <exception cref="RefusedException">It is no amount, or in another currency; names the element.</exception>
    internal static decimal? Amount(XElement? element, string currency)
    {
        if (element?.Attribute("currencyID")?.Value is { } other && other != currency)
            throw new RefusedException("file", $"{element.Name.LocalName} is in {other}, the document in {currency}.");
        return Number(element);
    }

    /// <summary>A decimal; null where it is missing.</summary>
    /// <exception cref="RefusedException">It is no number; names the element.</exception>
    internal static decimal? Number(XElement? element) =>
        element is null ? null
        : AmountText.TryRead(element.Value.Trim(), out var amount) && AmountText.Fits(amount) ? amount
        : throw new RefusedException("file", $"{element.Name.LocalName} holds ‘{Short(element)}’, which is no amount.");

    private static string Short(XElement element) =>
        element.Value.Length > 60 ? element.Value[..60] + "…" : element.Value;
}
