using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>A customer's record as JSON: what is read, sent back changed, exported and brought in again.</summary>
internal sealed record CustomerShape(
    string? Code,
    string? Name,
    string? LegalName,
    string? Currency,
    string? Terms,
    [property: TextOf(typeof(DateOnly))] string? TermsAgreedOn,
    string? LateChargePolicy,
    string? ReminderPlan,
    string? TaxCode,
    string? Group,
    string? ControlGroup,
    string? Owner,
    string? Salesperson,
    string? CustomerType,
    string? PaymentMethod,
    [property: TextOf(typeof(Delivery))] string? Delivery,
    string? Language,
    [property: MostCharacters(Bounds.FieldValue)] string? Email,
    [property: MostCharacters(Bounds.FieldValue)] string? EmailStatements,
    [property: MostCharacters(Bounds.FieldValue)] string? EmailReminders,
    [property: MostCharacters(Bounds.FieldValue, Lines = true)] string? Address,
    IReadOnlyList<AddressShape>? Addresses,
    IReadOnlyList<ContactShape>? Contacts,
    IReadOnlyList<IdentifierShape>? Identifiers,
    IReadOnlyDictionary<string, string>? Fields,
    ResponsesShape? Responses,
    ExemptionShape? Exemption = null,
    AccountAllowanceShape? Allowance = null,
    bool? Electronic = null
)
{
    internal static CustomerShape Of(Account a) =>
        new(
            a.Code,
            a.Name,
            a.Profile.LegalName,
            a.Currency.Code,
            a.Terms,
            a.Profile.TermsAgreedOn?.ToString("O"),
            a.LateChargePolicy ?? "",
            a.ReminderPlan ?? "",
            a.TaxCode ?? "",
            a.GroupName,
            a.Profile.ControlGroup,
            a.Owner,
            a.Profile.Salesperson,
            a.Profile.CustomerType,
            a.Profile.PaymentMethod,
            Web.Fields.Name(a.Profile.Delivery),
            a.Profile.Language,
            a.Email,
            a.Profile.EmailStatements,
            a.Profile.EmailReminders,
            a.Address,
            [.. a.Profile.Addresses.Select(x => new AddressShape(Web.Fields.Name(x.Kind), x.Name, x.Lines))],
            [.. a.Profile.Contacts.Select(c => new ContactShape(c.Name, c.Role, c.Phone, c.Email, c.Active))],
            [.. a.Profile.Identifiers.Select(i => new IdentifierShape(i.Scheme, i.Number))],
            a.Profile.Fields,
            ResponsesShape.Of(a.Profile.Responses),
            ExemptionShape.Of(a.Profile.Exemption),
            AccountAllowanceShape.Of(a.Profile.Allowance),
            a.Profile.Electronic
        );

    /// <summary>
    /// The account with what is given here; what is left out stays. Problems are collected in
    /// <paramref name="fields"/>.
    /// </summary>
    internal Account Onto(Account before, Fields fields)
    {
        var p = before.Profile;
        if (!EmailAddresses.AreSound(Email ?? ""))
            fields.Bad("email", EmailAddresses.Wanted);
        return before with
        {
            Name = Name is null ? before.Name : fields.Text("name", Name, "the customer's name"),
            Terms = Terms is null ? before.Terms : fields.Text("terms", Terms, "terms, such as 2/10 n/30"),
            LateChargePolicy = LateChargePolicy ?? before.LateChargePolicy,
            ReminderPlan = ReminderPlan ?? before.ReminderPlan,
            TaxCode = TaxCode ?? before.TaxCode,
            GroupName = Group?.Trim() ?? before.GroupName,
            Owner = Owner?.Trim() ?? before.Owner,
            Email = Email?.Trim() ?? before.Email,
            Address = Address?.Trim() ?? before.Address,
            Profile = p with
            {
                LegalName = LegalName?.Trim() ?? p.LegalName,
                ControlGroup = ControlGroup?.Trim() ?? p.ControlGroup,
                Salesperson = Salesperson?.Trim() ?? p.Salesperson,
                CustomerType = CustomerType?.Trim() ?? p.CustomerType,
                PaymentMethod = PaymentMethod?.Trim() ?? p.PaymentMethod,
                Delivery = fields.Choice("delivery", Delivery, (Delivery?)p.Delivery),
                Electronic = Electronic ?? p.Electronic,
                Language = Language?.Trim() ?? p.Language,
                TermsAgreedOn = TermsAgreedOn is null
                    ? p.TermsAgreedOn
                    : fields.OptionalDate("termsAgreedOn", TermsAgreedOn),
                Exemption = Exemption is null ? p.Exemption : Exemption.Read(p.Exemption, fields),
                EmailStatements = EmailStatements?.Trim() ?? p.EmailStatements,
                EmailReminders = EmailReminders?.Trim() ?? p.EmailReminders,
                Addresses = Addresses is null
                    ? p.Addresses
                    :
                    [
                        .. Addresses.Select(
                            (a, i) =>
                                new CustomerAddress(
                                    fields.Choice($"addresses[{i}].kind", a.Kind, (AddressKind?)AddressKind.BillTo),
                                    a.Name?.Trim() ?? "",
                                    [.. (a.Lines ?? []).Select(l => l.Trim()).Where(l => l.Length > 0)]
                                )
                        ),
                    ],
                Contacts = Contacts is null
                    ? p.Contacts
                    :
                    [
                        .. Contacts.Select(c => new CustomerContact(
                            c.Name?.Trim() ?? "",
                            c.Role?.Trim() ?? "",
                            c.Phone?.Trim() ?? "",
                            c.Email?.Trim() ?? "",
                            c.Active ?? true
                        )),
                    ],
                Identifiers = Identifiers is null
                    ? p.Identifiers
                    :
                    [
                        .. Identifiers.Select(i => new CustomerIdentifier(
                            i.Scheme?.Trim() ?? "",
                            TaxIdentifier.Plain(i.Number ?? "")
                        )),
                    ],
                Fields = Fields is null
                    ? p.Fields
                    : Fields
                        .Where(f => !string.IsNullOrWhiteSpace(f.Value))
                        .ToDictionary(f => f.Key, f => f.Value.Trim(), StringComparer.Ordinal),
                Allowance = Allowance?.Read(p.Allowance, fields) ?? p.Allowance,
                Responses = Responses?.Read("responses", fields, p.Responses) ?? p.Responses,
            },
        };
    }
}
