namespace KiteLine.Core;

/// <summary>One thing that is wrong with an input: the field and what it should be.</summary>
public sealed record FieldProblem(string Field, string Message);
