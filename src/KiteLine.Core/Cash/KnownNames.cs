namespace KiteLine.Core;

/// <summary>
/// Codes and names of the accounts in one currency, made ready for recognising payers by them. That takes a moment where
/// they are many, and they seldom change.
/// </summary>
public sealed class KnownNames
{
    // What banks cut names to is longer; a shorter beginning is too little to know somebody by.
    private const int LeastBeginning = 20;

    private const int LongestCode = 20;

    private static readonly string[] LegalForms =
    [
        "LTD",
        "LIMITED",
        "PLC",
        "LLP",
        "LLC",
        "INC",
        "CORP",
        "CO",
        "COMPANY",
        "GMBH",
        "AG",
        "KG",
        "SARL",
        "SAS",
        "SA",
        "BV",
        "NV",
        "SRL",
        "SPA",
        "AB",
        "AS",
        "APS",
        "OY",
        "PTY",
        "THE",
        "AND",
    ];

    // Null where several accounts have a code that reads the same.
    private readonly Dictionary<string, string?> _codes = new(StringComparer.Ordinal);
    private readonly (string Plain, string Code, string Name)[] _names;

    /// <param name="accounts">Code and name of each account, and its legal name where that differs.</param>
    public KnownNames(IEnumerable<(string Code, string Name)> accounts)
    {
        ArgumentNullException.ThrowIfNull(accounts);
        var names = new List<(string Plain, string Code, string Name)>();
        foreach (var (code, name) in accounts)
        {
            // A code of digits alone would be found in any amount.
            if (!code.All(char.IsAsciiDigit))
            {
                var plain = NamedDocuments.Plain(code);
                _codes[plain] =
                    _codes.TryGetValue(plain, out var known)
                    && !string.Equals(known, code, StringComparison.OrdinalIgnoreCase)
                        ? null
                        : code;
            }

            if (PlainName(name) is { Length: > 0 } compared)
                names.Add((compared, code, name));
        }

        _names = [.. names.OrderBy(a => a.Plain, StringComparer.Ordinal)];
    }

    /// <summary>Whose code stands in a text; null where none does, or several do.</summary>
    internal RecognisedPayer? ByCode(string text)
    {
        var found = new RemittanceText(text)
            .Runs(LongestCode)
            .Select(r => _codes.GetValueOrDefault(r.Joined, ""))
            .Where(code => code is not "")
            .Distinct()
            .Take(2)
            .ToArray();
        return found is [{ } code] ? new(code, PayerBy.AccountCode, code) : null;
    }

    /// <summary>Whose name is alike; null where none is, or several are.</summary>
    internal RecognisedPayer? ByName(string payer)
    {
        var plain = PlainName(payer);
        if (plain.Length == 0)
            return null;
        var (from, to) = (First(plain), 0);
        for (to = from; to < _names.Length && _names[to].Plain == plain; )
            to++;
        if (from == to && plain.Length >= LeastBeginning)
            for (; to < _names.Length && _names[to].Plain.StartsWith(plain, StringComparison.Ordinal); )
                to++;
        var codes = _names[from..to].Select(n => n.Code).Distinct().Take(2).ToArray();
        return codes.Length == 1 ? new(codes[0], PayerBy.Name, _names[from].Name) : null;
    }

    // The first name that is not before this one.
    private int First(string plain)
    {
        var (low, high) = (0, _names.Length);
        while (low < high)
        {
            var middle = (low + high) / 2;
            if (string.CompareOrdinal(_names[middle].Plain, plain) < 0)
                low = middle + 1;
            else
                high = middle;
        }

        return low;
    }

    // Letters and digits without marks, without what says in what form a company is one.
    private static string PlainName(string name) =>
        string.Join(
            ' ',
            new RemittanceText(PlainLetters.Of(name).Replace(".", "", StringComparison.Ordinal))
                .Words.Select(w => w.Text)
                .Where(w => !LegalForms.Contains(w))
        );
}
