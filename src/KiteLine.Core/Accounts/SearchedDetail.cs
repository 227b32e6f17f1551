namespace KiteLine.Core;

/// <summary>One detail of an account by which it can be found, such as a telephone number or a street.</summary>
/// <param name="What">What it is, in words.</param>
/// <param name="Text">As it stands in the record.</param>
/// <param name="IsNumber">Whether it is a number that people write with and without spaces.</param>
public sealed record SearchedDetail(string What, string Text, bool IsNumber = false)
{
    /// <summary>Everything by which an account is found, the most telling first.</summary>
    public static IEnumerable<SearchedDetail> Of(
        string code,
        string name,
        string email,
        string address,
        CustomerProfile profile
    )
    {
        ArgumentNullException.ThrowIfNull(profile);
        IEnumerable<SearchedDetail> all =
        [
            new("code", code),
            new("name", name),
            new("legal name", profile.LegalName),
            new("e-mail", email),
            new("e-mail for statements", profile.EmailStatements),
            new("e-mail for reminders", profile.EmailReminders),
            .. profile.Contacts.SelectMany(c =>
                new SearchedDetail[]
                {
                    new("contact", c.Name),
                    new("telephone", c.Phone, IsNumber: true),
                    new("e-mail", c.Email),
                }
            ),
            .. profile.Identifiers.Select(i => new SearchedDetail("identifier", i.Number, IsNumber: true)),
            .. address.Split('\n').Select(line => new SearchedDetail("address", line)),
            .. profile.Addresses.SelectMany(a =>
                a.Lines.Prepend(a.Name).Select(line => new SearchedDetail("address", line))
            ),
        ];
        return all.Where(d => d.Text.Length > 0);
    }

    /// <summary>Whether the detail holds what was typed.</summary>
    public bool Holds(SearchedText wanted)
    {
        ArgumentNullException.ThrowIfNull(wanted);
        return PlainLetters.Of(Text).Contains(wanted.Plain, StringComparison.Ordinal)
            || (
                IsNumber
                && wanted.Number is { } number
                && SearchedText.NumberOf(Text).Contains(number, StringComparison.Ordinal)
            );
    }

    /// <summary>The forms in which it is looked up.</summary>
    public IEnumerable<string> Forms() =>
        IsNumber ? [PlainLetters.Of(Text), SearchedText.NumberOf(Text)] : [PlainLetters.Of(Text)];
}
