namespace KiteLine.Core;

/// <summary>What is named before a document is posted; it may be posted all the same.</summary>
/// <param name="Code">The published name of its kind: <c>likely-duplicate</c>, <c>unusual-date</c> or <c>on-slip</c>.</param>
/// <param name="Text">A sentence with the figures.</param>
/// <param name="Document">The document that it seems to repeat; null for a date.</param>
public sealed record DocumentWarning(string Code, string Text, string? Document = null)
{
    /// <summary>Another document of the customer is very much like it.</summary>
    public const string LikelyDuplicate = "likely-duplicate";

    /// <summary>A receipt that is reversed stands on a paying-in slip.</summary>
    public const string OnSlip = "on-slip";

    /// <summary>Its date or its value date is unusual.</summary>
    public const string UnusualDate = "unusual-date";
}
