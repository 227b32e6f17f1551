namespace KiteLine.Web;

/// <summary>
/// The columns of many rows: in the order of the first that has them, list entries beside each other.
/// </summary>
internal sealed class FlatColumns
{
    private readonly List<string> _order = [];
    private readonly Dictionary<string, int> _at = new(StringComparer.Ordinal);

    /// <summary>The columns of the rows added so far.</summary>
    internal IReadOnlyList<string> Order => _order;

    internal void Add(IEnumerable<string> columns)
    {
        var after = -1;
        foreach (var column in columns)
        {
            if (_at.TryGetValue(column, out var known))
            {
                after = Math.Max(after, known);
                continue;
            }

            _order.Insert(++after, column);
            _at.Clear();
            for (var i = 0; i < _order.Count; i++)
                _at[_order[i]] = i;
        }
    }
}
