namespace KiteLine.Core;

/// <summary>A field that a company adds to its customers.</summary>
/// <param name="Key">Letters, digits and underscores; unique, and kept when the name changes.</param>
/// <param name="Choices">For a choice, what can be chosen.</param>
public sealed record CustomerField(
    string Key,
    string Name,
    CustomerFieldKind Kind,
    IReadOnlyList<string>? Choices = null
)
{
    /// <summary>What is wrong with a list of fields, as field and sentence; empty when it can be used.</summary>
    public static IEnumerable<(string Field, string Message)> Problems(IReadOnlyList<CustomerField> fields)
    {
        ArgumentNullException.ThrowIfNull(fields);
        if (fields.Count > 50)
            yield return ("customerFields", "A company has at most 50 fields of its own.");
        for (var i = 0; i < fields.Count; i++)
        {
            var (at, field) = ($"customerFields[{i}]", fields[i]);
            if (field.Key.Length is 0 or > 30 || !field.Key.All(c => char.IsAsciiLetterOrDigit(c) || c == '_'))
                yield return ($"{at}.key", "A key is 1 to 30 letters, digits or underscores.");
            else if (fields.Take(i).Any(f => f.Key.Equals(field.Key, StringComparison.OrdinalIgnoreCase)))
                yield return ($"{at}.key", $"The key ‘{field.Key}’ stands twice.");
            if (field.Name.Length is 0 or > 60)
                yield return ($"{at}.name", "Give the field a name of up to 60 characters.");
            if (field.Kind == CustomerFieldKind.Choice && field.Choices is null or { Count: 0 })
                yield return ($"{at}.choices", "Give what can be chosen.");
        }
    }

    /// <summary>
    /// What is wrong with a value of this field, as a sentence; null when it fits. An empty value always does.
    /// </summary>
    public string? Problem(string value)
    {
        ArgumentNullException.ThrowIfNull(value);
        if (value.Length == 0)
            return null;
        return Kind switch
        {
            CustomerFieldKind.Text => value.Length > 500 ? $"{Name} has up to 500 characters." : null,
            CustomerFieldKind.Number => AmountText.TryRead(value, out _) ? null : $"{Name} is a number, such as 12.5.",
            CustomerFieldKind.Date => DayText.TryRead(value, out _)
                ? null
                : $"{Name} is a date as year-month-day, such as 2026-03-16.",
            CustomerFieldKind.Choice => Choices!.Contains(value, StringComparer.Ordinal)
                ? null
                : $"{Name} is one of {string.Join(", ", Choices!)}.",
            _ => throw new InvalidOperationException("A kind outside the closed set."),
        };
    }
}
