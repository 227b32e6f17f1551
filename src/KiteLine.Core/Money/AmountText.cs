using System.Globalization;

namespace KiteLine.Core;

/// <summary>Amounts as they come in, in requests and files alike.</summary>
public static class AmountText
{
    /// <summary>
    /// Reads a number with a point and no grouping, such as 1176.00 or -5; no exponent. Texts longer than any number
    /// that is wanted are none.
    /// </summary>
    public static bool TryRead(string? text, out decimal number)
    {
        number = 0;
        return text is { Length: <= Longest }
            && decimal.TryParse(
                text,
                NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
                CultureInfo.InvariantCulture,
                out number
            );
    }

    /// <summary>Whether an amount lies within the largest, on either side of zero.</summary>
    public static bool Fits(decimal amount) => Math.Abs(amount) <= Bounds.Amount;

    // The digits of the largest decimal, a sign and a point.
    private const int Longest = 31;
}
