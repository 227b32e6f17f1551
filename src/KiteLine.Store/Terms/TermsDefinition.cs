using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>
/// Terms as they are stored: the shorthand in normal form, what it does not say, and the text for invoices.
/// </summary>
public sealed record TermsDefinition(string Text)
{
    /// <summary>What the shorthand does not say.</summary>
    public TermsConditions Conditions { get; init; } = new();

    /// <summary>Liquid template of what is printed on the invoice; empty for the usual sentence.</summary>
    public string Printed { get; init; } = "";

    /// <summary>The terms they stand for.</summary>
    public Terms ToTerms() => Shorthand.Read(Text).Under(Conditions);

    /// <summary>Reads and checks a definition; the text comes back in normal form.</summary>
    /// <exception cref="RefusedException">The text cannot be read or the terms make no sense.</exception>
    public static TermsDefinition Checked(
        string? text,
        TermsConditions? conditions = null,
        string printed = "",
        string field = "text"
    )
    {
        var terms = Shorthand.TryRead(text ?? "", out var problem) ?? throw new RefusedException(field, problem!);
        if (TermsCheck.Objection(terms) is { } objection)
            throw new RefusedException(field, objection);
        RefusedException.ThrowIfAny((conditions ??= new()).Problems());
        return new(terms.ToString()) { Conditions = conditions, Printed = printed };
    }
}
