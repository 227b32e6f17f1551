using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Terms as they are stored: the shorthand in normal form and what it does not say.</summary>
public sealed record TermsDefinition(
    string Text, DiscountBase Base = DiscountBase.Gross, int GraceDays = 0, BusinessDayRule BusinessDays = BusinessDayRule.Keep)
{
    /// <summary>The terms they stand for.</summary>
    public Terms ToTerms() => Shorthand.Read(Text).With(Base, GraceDays, BusinessDays);

    /// <summary>Reads and checks a definition; the text comes back in normal form.</summary>
    /// <exception cref="RefusedException">The text cannot be read or the terms make no sense.</exception>
    public static TermsDefinition Checked(string? text, DiscountBase @base, int graceDays, BusinessDayRule businessDays, string field = "text")
    {
        var terms = Shorthand.TryRead(text ?? "", out var problem) ?? throw new RefusedException(field, problem!);
        if (TermsCheck.Objection(terms) is { } objection) throw new RefusedException(field, objection);
        if (graceDays is < 0 or > 60) throw new RefusedException("graceDays", "Grace days are 0 to 60.");
        return new(terms.ToString(), @base, graceDays, businessDays);
    }
}
