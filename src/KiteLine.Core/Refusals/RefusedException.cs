namespace KiteLine.Core;

/// <summary>An input that cannot be carried out as it is, with every field that is wrong. Nothing was stored.</summary>
public sealed class RefusedException(IReadOnlyList<FieldProblem> problems)
    : Exception(string.Join(" ", problems.Select(p => p.Message)))
{
    /// <summary>Refuses one field.</summary>
    public RefusedException(string field, string message)
        : this([new(field, message)]) { }

    /// <summary>At least one.</summary>
    public IReadOnlyList<FieldProblem> Problems { get; } = problems;

    /// <summary>Throws when there is a problem.</summary>
    public static void ThrowIfAny(IEnumerable<(string Field, string Message)> problems, string prefix = "")
    {
        var list = problems.Select(p => new FieldProblem(prefix + p.Field, p.Message)).ToArray();
        if (list.Length > 0)
            throw new RefusedException(list);
    }
}
