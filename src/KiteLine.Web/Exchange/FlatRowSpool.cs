using System.Text;

namespace KiteLine.Web;

/// <summary>
/// Keeps flat rows aside in a file until all of them are known: only then is it known which columns a table of them
/// has. However many there are, memory stays flat.
/// </summary>
internal sealed class FlatRowSpool : IDisposable
{
    private readonly FileStream _file = FileAnswer.Aside();
    private readonly Dictionary<string, int> _numbers = new(StringComparer.Ordinal);
    private readonly List<string> _names = [];
    private readonly FlatColumns _columns = new();
    private int _rows;

    internal FlatRowSpool(IEnumerable<Dictionary<string, string>> rows)
    {
        using var writer = new BinaryWriter(_file, Encoding.UTF8, leaveOpen: true);
        foreach (var row in rows)
        {
            _columns.Add(row.Keys);
            writer.Write7BitEncodedInt(row.Count);
            foreach (var (column, value) in row)
            {
                writer.Write7BitEncodedInt(NumberOf(column));
                writer.Write(value);
            }

            _rows++;
        }
    }

    /// <summary>The columns of the table.</summary>
    internal IReadOnlyList<string> Columns => _columns.Order;

    /// <summary>The rows, a value for each column; what a row lacks is empty.</summary>
    internal IEnumerable<IReadOnlyList<object?>> Rows()
    {
        _file.Position = 0;
        var order = Columns.Select((name, i) => (name, i)).ToDictionary(c => c.name, c => c.i, StringComparer.Ordinal);
        var places = _names.ConvertAll(name => order[name]);
        using var reader = new BinaryReader(_file, Encoding.UTF8, leaveOpen: true);
        for (var row = 0; row < _rows; row++)
        {
            var values = new object?[places.Count];
            Array.Fill(values, "");
            for (var left = reader.Read7BitEncodedInt(); left > 0; left--)
                values[places[reader.Read7BitEncodedInt()]] = reader.ReadString();
            yield return values;
        }
    }

    /// <inheritdoc/>
    public void Dispose() => _file.Dispose();

    private int NumberOf(string column)
    {
        if (!_numbers.TryGetValue(column, out var number))
        {
            _numbers.Add(column, number = _names.Count);
            _names.Add(column);
        }

        return number;
    }
}
