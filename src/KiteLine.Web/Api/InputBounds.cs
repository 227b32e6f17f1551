using System.Collections;
using System.Collections.Concurrent;
using System.Reflection;
using System.Text.Json;
using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// Holds every text and every list of a request to its bound, however deep it lies, before anybody works with it. It
/// names each that goes beyond, by the path under which the interface knows it.
/// </summary>
internal static class InputBounds
{
    private sealed record Part(string Name, PropertyInfo Property, int Most, bool Lines);

    private static readonly ConcurrentDictionary<Type, Part[]> Known = new();

    /// <summary>Checks what an endpoint is given of a request's body.</summary>
    internal static EndpointFilterDelegate Filter(EndpointFilterFactoryContext endpoint, EndpointFilterDelegate next)
    {
        var bodies = endpoint
            .MethodInfo.GetParameters()
            .Select((p, i) => (p.ParameterType, i))
            .Where(p => IsInput(p.ParameterType))
            .Select(p => p.i)
            .ToArray();
        return bodies.Length == 0
            ? next
            : context =>
            {
                foreach (var body in bodies)
                    Check(context.Arguments[body]);
                return next(context);
            };
    }

    /// <exception cref="RefusedException">A text or list goes beyond its bound; names each.</exception>
    /// <param name="at">The path of what is given, with a point at its end, or empty.</param>
    internal static void Check(object? given, string at = "")
    {
        if (given is null)
            return;
        var fields = new Fields();
        Check(given, at, fields);
        fields.ThrowIfAny();
    }

    /// <summary>The bound of a text of a request or a shape; null for what is no text of one.</summary>
    internal static int? MostOf(Type type, string property) =>
        IsInput(type) ? PartsOf(type).SingleOrDefault(p => p.Property.Name == property)?.Most : null;

    private static bool IsInput(Type type) =>
        type.Assembly == typeof(InputBounds).Assembly
        && (
            type.Name.EndsWith("Request", StringComparison.Ordinal)
            || type.Name.EndsWith("Shape", StringComparison.Ordinal)
        );

    private static Part[] PartsOf(Type type) =>
        Known.GetOrAdd(
            type,
            static t =>
                [
                    .. t.GetProperties()
                        .Where(p =>
                            p.GetIndexParameters().Length == 0
                            && (
                                p.PropertyType == typeof(string)
                                || p.PropertyType.IsAssignableTo(typeof(IEnumerable))
                                || IsInput(p.PropertyType)
                            )
                        )
                        .Select(p =>
                        {
                            var text = p.GetCustomAttribute<MostCharactersAttribute>();
                            var most =
                                p.PropertyType == typeof(string)
                                    ? text?.Most ?? (p.Name == nameof(Reason) ? Reason.Longest : Bounds.Line)
                                    : p.GetCustomAttribute<MostEntriesAttribute>()?.Most ?? Bounds.List;
                            return new Part(
                                JsonNamingPolicy.CamelCase.ConvertName(p.Name),
                                p,
                                most,
                                text?.Lines ?? false
                            );
                        }),
                ]
        );

    private static void Check(object given, string at, Fields fields)
    {
        foreach (var part in PartsOf(given.GetType()))
        {
            var name = at + part.Name;
            switch (part.Property.GetValue(given))
            {
                case string text:
                    Check(text, name, part.Most, part.Lines, fields);
                    break;
                case IReadOnlyDictionary<string, string> texts:
                    if (Few(texts.Count, name, part.Most, fields))
                        foreach (var (key, value) in texts)
                        {
                            Check(key, name, Bounds.Line, false, fields);
                            if (value is not null)
                                Check(value, $"{name}.{key}", Bounds.FieldValue, false, fields);
                        }

                    break;
                case IList list:
                    if (Few(list.Count, name, part.Most, fields))
                        Check(list, name, fields);
                    break;
                case { } inner when IsInput(inner.GetType()):
                    Check(inner, name + ".", fields);
                    break;
            }
        }
    }

    private static void Check(IList list, string name, Fields fields)
    {
        for (var i = 0; i < list.Count; i++)
            switch (list[i])
            {
                case null:
                    fields.Bad($"{name}[{i}]", "This entry of the list is null; leave it out or give it.");
                    break;
                case string text:
                    Check(text, $"{name}[{i}]", Bounds.Line, false, fields);
                    break;
                case { } inner when IsInput(inner.GetType()):
                    Check(inner, $"{name}[{i}].", fields);
                    break;
            }
    }

    private static bool Few(int count, string name, int most, Fields fields)
    {
        if (count > most)
            fields.Bad(name, $"The list has {count:N0} entries; give at most {most:N0}.");
        return count <= most;
    }

    private static void Check(string text, string name, int most, bool lines, Fields fields)
    {
        if (TextBounds.Problem(text, most, lines) is { } problem)
            fields.Bad(name, problem);
    }
}
