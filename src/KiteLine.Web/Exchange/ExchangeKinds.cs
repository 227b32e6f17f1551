namespace KiteLine.Web;

/// <summary>The kinds there are, by name.</summary>
internal sealed class ExchangeKinds
{
    private readonly Dictionary<string, ExchangeKind> _kinds = new(StringComparer.Ordinal);

    internal void Add(ExchangeKind kind) => _kinds[kind.Name] = kind;

    internal ExchangeKind Of(string name) =>
        _kinds.GetValueOrDefault(name)
        ?? throw new Core.RefusedException(
            "kind",
            $"Choose one of {string.Join(", ", _kinds.Keys.Order(StringComparer.Ordinal))}."
        );
}
