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

    // Names seldom have more letters.
    private const int Usual = 100;

    // Null where several accounts have a code that reads the same.
    private readonly Dictionary<string, string?> _codes;

    private readonly Dictionary<string, Named> _names;

    // Longer names by how they begin.
    private readonly Dictionary<string, List<(string Plain, string Code, string Name)>> _beginnings = new(
        StringComparer.Ordinal
    );

    // Whose name it is; several when accounts of the same name answer alike.
    private readonly record struct Named(string Code, string Name, bool Several);

    /// <param name="accounts">Code and name of each account, and its legal name where that differs.</param>
    /// <param name="about">How many there are.</param>
    public KnownNames(IEnumerable<(string Code, string Name)> accounts, int about = 0)
    {
        ArgumentNullException.ThrowIfNull(accounts);
        _codes = new(about, StringComparer.Ordinal);
        _names = new(about, StringComparer.Ordinal);
        foreach (var (code, name) in accounts)
        {
            // A code of digits alone would be found in any amount.
            if (code.AsSpan().IndexOfAnyExceptInRange('0', '9') >= 0)
            {
                var read = NamedDocuments.Plain(code);
                if (!_codes.TryAdd(read, code) && !IsSame(_codes[read], code))
                    _codes[read] = null;
            }

            if (PlainName(name) is not { Length: > 0 } plain)
                continue;
            if (!_names.TryAdd(plain, new(code, name, Several: false)) && !IsSame(_names[plain].Code, code))
                _names[plain] = _names[plain] with { Several = true };
            if (plain.Length <= LeastBeginning)
                continue;
            var beginning = plain[..LeastBeginning];
            if (!_beginnings.TryGetValue(beginning, out var alike))
                _beginnings[beginning] = alike = [];
            alike.Add((plain, code, name));
        }
    }

    private static bool IsSame(string? code, string other) =>
        string.Equals(code, other, StringComparison.OrdinalIgnoreCase);

    /// <summary>Whose code stands in a text; null where none does, or several do.</summary>
    internal RecognisedPayer? ByCode(string text)
    {
        var found = new RemittanceText(text)
            .Runs(LongestCode + 4)
            // A reference by ISO 11649 whose body is a code stands on statements of account.
            .Select(r => _codes.GetValueOrDefault(CreditorReference.IsValid(r.Joined) ? r.Joined[4..] : r.Joined, ""))
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
        if (_names.TryGetValue(plain, out var exact))
            return exact.Several ? null : new(exact.Code, PayerBy.Name, exact.Name);
        if (plain.Length < LeastBeginning || !_beginnings.TryGetValue(plain[..LeastBeginning], out var alike))
            return null;
        var begun = alike.Where(n => n.Plain.StartsWith(plain, StringComparison.Ordinal)).ToArray();
        return begun.DistinctBy(n => n.Code).Take(2).Count() == 1
            ? new(begun[0].Code, PayerBy.Name, begun[0].Name)
            : null;
    }

    // Words of letters and digits without marks, without what says in what form a company is one. A point stands within
    // such a word.
    private static string PlainName(string name)
    {
        Span<char> plain = name.Length < Usual ? stackalloc char[Usual] : new char[name.Length + 1];
        var forms = LegalForms.Words.GetAlternateLookup<ReadOnlySpan<char>>();
        var (length, word) = (0, 0);
        foreach (var letter in name)
            if (char.IsLetterOrDigit(letter))
                plain[length++] = char.ToUpperInvariant(PlainLetters.Of(letter));
            else if (letter != '.')
                End(plain);
        End(plain);
        return new string(plain[..Math.Max(0, length - 1)]);

        void End(Span<char> plain)
        {
            if (forms.Contains(plain[word..length]))
                length = word;
            else if (length > word)
                plain[length++] = ' ';
            word = length;
        }
    }
}
