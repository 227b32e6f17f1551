namespace KiteLine.Core;

/// <summary>The tax that one authority levies on a document at one rate.</summary>
/// <param name="Code">The tax code.</param>
/// <param name="Percent">The authority's part of the code's rate on the document's date.</param>
/// <param name="Taxed">The net amount that it is levied on.</param>
public sealed record DocumentTax(string Code, string Authority, decimal Percent, Money Taxed, Money Tax);
