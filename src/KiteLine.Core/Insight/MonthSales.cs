namespace KiteLine.Core;

/// <summary>The sales of a month, or of the part of it that a period holds.</summary>
/// <param name="Days">Above zero.</param>
/// <param name="Sales">Invoices less credit notes, with tax, in major units; below zero where more was credited.</param>
public sealed record MonthSales(int Days, decimal Sales);
