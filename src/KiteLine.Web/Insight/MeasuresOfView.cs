namespace KiteLine.Web;

/// <param name="Key">The value that the accounts share; empty for those that have none.</param>
internal sealed record MeasuresOfView(string Key, string Name, MeasuresView Measures);
