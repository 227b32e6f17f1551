using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record CustomerFieldShape(
    string? Key,
    string? Name,
    [property: TextOf(typeof(CustomerFieldKind))] string? Kind,
    IReadOnlyList<string>? Choices
)
{
    internal static CustomerFieldShape Of(CustomerField f) => new(f.Key, f.Name, Fields.Name(f.Kind), f.Choices ?? []);

    internal CustomerField Read(string at, Fields fields)
    {
        var kind = fields.Choice($"{at}.kind", Kind, (CustomerFieldKind?)CustomerFieldKind.Text);
        return new(
            Key?.Trim() ?? "",
            Name?.Trim() ?? "",
            kind,
            kind == CustomerFieldKind.Choice
                ? [.. (Choices ?? []).Select(c => c.Trim()).Where(c => c.Length > 0).Distinct()]
                : null
        );
    }
}
