namespace KiteLine.Core;

/// <summary>What every customer's record must satisfy.</summary>
public static class CustomerCheck
{
    /// <summary>Told wherever an e-mail address is wanted.</summary>
    private const string EmailWanted = "Give an e-mail address such as accounts@customer.example.";

    /// <summary>What is wrong, as field and sentence; empty when it can be stored.</summary>
    public static IEnumerable<(string Field, string Message)> Problems(
        CustomerProfile profile,
        CompanySettings settings
    )
    {
        ArgumentNullException.ThrowIfNull(profile);
        ArgumentNullException.ThrowIfNull(settings);
        return
        [
            .. Plain(profile, settings),
            .. People(profile),
            .. Identifiers(profile),
            .. Fields(profile, settings),
            .. profile.Exemption?.Problems() ?? [],
            .. profile.Responses.Problems().Select(p => ("responses." + p.Field, p.Message)),
        ];
    }

    private static IEnumerable<(string Field, string Message)> Plain(CustomerProfile p, CompanySettings settings)
    {
        if (p.LegalName.Length > 200)
            yield return ("legalName", "The legal name has up to 200 characters.");
        if (p.Language.Length > 0 && !(p.Language.Length == 2 && p.Language.All(char.IsAsciiLetterLower)))
            yield return ("language", "A language is a two-letter code such as en, de or fr.");
        if (p.PaymentMethod.Length > 0 && settings.PaymentMethods.All(m => m.Code != p.PaymentMethod))
            yield return (
                "paymentMethod",
                $"There is no payment method ‘{p.PaymentMethod}’; the company's settings list them."
            );
        if (p.ControlGroup.Length > 0 && settings.ControlGroups.All(g => g.Code != p.ControlGroup))
            yield return (
                "controlGroup",
                $"There is no control group ‘{p.ControlGroup}’; the company's settings list them."
            );
        foreach (
            var (field, email) in new[] { ("emailStatements", p.EmailStatements), ("emailReminders", p.EmailReminders) }
        )
            if (!EmailAddresses.AreSound(email))
                yield return (field, EmailAddresses.Wanted);
    }

    private static IEnumerable<(string Field, string Message)> People(CustomerProfile p)
    {
        if (p.Contacts.Count > 100)
            yield return ("contacts", "A customer has up to 100 contacts.");
        for (var i = 0; i < p.Contacts.Count; i++)
        {
            if (p.Contacts[i].Name.Length is 0 or > 100)
                yield return ($"contacts[{i}].name", "Give the contact's name, up to 100 characters.");
            if (p.Contacts[i].Email.Length > 0 && !EmailAddresses.IsOne(p.Contacts[i].Email))
                yield return ($"contacts[{i}].email", EmailWanted);
        }

        if (p.Addresses.Count > 100)
            yield return ("addresses", "A customer has up to 100 addresses.");
        for (var i = 0; i < p.Addresses.Count; i++)
            if (p.Addresses[i].Lines.Count is 0 or > 8)
                yield return ($"addresses[{i}].lines", "Give one to eight lines.");
    }

    private static IEnumerable<(string Field, string Message)> Identifiers(CustomerProfile p)
    {
        for (var i = 0; i < p.Identifiers.Count; i++)
        {
            var (scheme, number) = p.Identifiers[i];
            if (TaxIdentifier.Problem(scheme, number) is { } problem)
                yield return (
                    TaxIdentifier.Find(scheme) is null ? $"identifiers[{i}].scheme" : $"identifiers[{i}].number",
                    problem
                );
            else if (p.Identifiers.Take(i).Contains(p.Identifiers[i]))
                yield return ($"identifiers[{i}].number", "This number stands twice.");
        }
    }

    private static IEnumerable<(string Field, string Message)> Fields(CustomerProfile p, CompanySettings settings)
    {
        foreach (var (key, value) in p.Fields)
        {
            if (settings.CustomerFields.FirstOrDefault(f => f.Key == key) is not { } field)
                yield return ($"fields.{key}", $"The company has no field ‘{key}’; its settings list them.");
            else if (field.Problem(value) is { } problem)
                yield return ($"fields.{key}", problem);
        }
    }
}
