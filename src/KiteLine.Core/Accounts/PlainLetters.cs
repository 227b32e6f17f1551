namespace KiteLine.Core;

/// <summary>
/// Letters without their marks, so that what is typed without them is found. The program runs without the system's
/// tables of letters; these are those of the European languages.
/// </summary>
public static class PlainLetters
{
    private const string Marked =
        "ÀÁÂÃÄÅĀĂĄàáâãäåāăąÇĆČçćčĎĐďđÈÉÊËĒĖĘĚèéêëēėęěĞğÌÍÎÏĪİìíîïīıŁłÑŃŇñńňÒÓÔÕÖØŌŐòóôõöøōőŘřŚŠŞśšşŤťÙÚÛÜŪŮŰùúûüūůűÝýÿŹŻŽźżžÆæŒœßÞþ";
    private const string Unmarked =
        "AAAAAAAAAaaaaaaaaaCCCcccDDddEEEEEEEEeeeeeeeeGgIIIIIIiiiiiiLlNNNnnnOOOOOOOOooooooooRrSSSsssTtUUUUUUUuuuuuuuYyyZZZzzzAaOosTt";

    /// <summary>The letter without its mark; any other character as it is.</summary>
    public static char Of(char letter)
    {
        if (char.IsAscii(letter))
            return letter;
        var at = Marked.IndexOf(letter, StringComparison.Ordinal);
        return at < 0 ? letter : Unmarked[at];
    }

    /// <summary>A text in small plain letters, as long as it was.</summary>
    public static string Of(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        return string.Create(
            text.Length,
            text,
            (folded, from) =>
            {
                for (var i = 0; i < from.Length; i++)
                    folded[i] = char.ToLowerInvariant(Of(from[i]));
            }
        );
    }
}
