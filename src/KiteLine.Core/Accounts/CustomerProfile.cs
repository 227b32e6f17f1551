namespace KiteLine.Core;

/// <summary>What a company knows about a customer beyond what its account is reckoned by.</summary>
public sealed record CustomerProfile
{
    /// <summary>The name in the register, where it differs from the trading name.</summary>
    public string LegalName { get; init; } = "";

    /// <summary>
    /// Code of the control group, whose receivables account its balances stand on; empty for the company's own.
    /// </summary>
    public string ControlGroup { get; init; } = "";

    /// <summary>Who sells to the customer; empty for nobody.</summary>
    public string Salesperson { get; init; } = "";

    /// <summary>A kind of customer by the company’s own words; empty for none.</summary>
    public string CustomerType { get; init; } = "";

    /// <summary>Code of the payment method it uses; empty where none is known.</summary>
    public string PaymentMethod { get; init; } = "";

    /// <summary>How documents go out.</summary>
    public Delivery Delivery { get; init; }

    /// <summary>Whether it gets invoices and credit notes as UBL 2.1 too, beside what can be read.</summary>
    public bool Electronic { get; init; }

    /// <summary>The language of its letters, as a two-letter ISO 639 code; empty for the company's own.</summary>
    public string Language { get; init; } = "";

    /// <summary>Why sales to it bear no tax; null where they do.</summary>
    public TaxExemption? Exemption { get; init; }

    /// <summary>The day the customer confirmed its terms, or null when it never did.</summary>
    public DateOnly? TermsAgreedOn { get; init; }

    /// <summary>Where statements go when not to the account's own e-mail address.</summary>
    public string EmailStatements { get; init; } = "";

    /// <summary>Where reminders go when not to the account's own e-mail address.</summary>
    public string EmailReminders { get; init; } = "";

    /// <summary>Further addresses beside the one for invoices.</summary>
    public IReadOnlyList<CustomerAddress> Addresses { get; init; } = [];

    /// <summary>People to talk to, in the order they are shown.</summary>
    public IReadOnlyList<CustomerContact> Contacts { get; init; } = [];

    /// <summary>Tax and company identifiers, at most one of a scheme.</summary>
    public IReadOnlyList<CustomerIdentifier> Identifiers { get; init; } = [];

    /// <summary>Values of the company's own fields, by their keys.</summary>
    public IReadOnlyDictionary<string, string> Fields { get; init; } = new Dictionary<string, string>();

    /// <summary>What may be written off where it pays slightly less than due.</summary>
    public AccountAllowance Allowance { get; init; } = AccountAllowance.Company;

    /// <summary>What a credit check does on this account.</summary>
    public CheckResponses Responses { get; init; } = new();
}
