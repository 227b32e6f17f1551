namespace KiteLine.Core;

/// <summary>Why a row of an import was refused.</summary>
/// <param name="File">The file's name.</param>
/// <param name="Row">The row's line in the file, the header being 1; 0 for the file as a whole.</param>
/// <param name="Column">The column, or empty for the row as a whole.</param>
/// <param name="Value">What stands there.</param>
/// <param name="Reason">What is wrong and what is wanted.</param>
public sealed record RowProblem(string File, long Row, string Column, string Value, string Reason);
