using System.Collections;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace KiteLine.Web;

/// <summary>Refuses null as an element of a list where a record is read, and says at which place it stands.</summary>
internal static class NoGaps
{
    internal static void In(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object || type.Type.Assembly != typeof(NoGaps).Assembly)
            return;
        var lists = type
            .Properties.Where(p =>
                p.Get is not null
                && p.PropertyType != typeof(string)
                && p.PropertyType.IsAssignableTo(typeof(IEnumerable))
            )
            .ToArray();
        if (lists.Length == 0)
            return;
        type.OnDeserialized = read =>
        {
            foreach (var list in lists)
            {
                if (list.Get!(read) is not IList elements)
                    continue;
                var gap = elements.IndexOf(null);
                if (gap >= 0)
                    throw new JsonException("An element of the list is null.", $"$.{list.Name}[{gap}]", null, null);
            }
        };
    }
}
