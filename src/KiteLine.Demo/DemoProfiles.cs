using KiteLine.Core;

namespace KiteLine.Demo;

/// <summary>
/// Invented records of the demo's customers. Identifiers are made up and bear the check digits their kind wants.
/// </summary>
internal static class DemoProfiles
{
    private static readonly string[] First =
    [
        "Ada",
        "Bram",
        "Cleo",
        "Dougal",
        "Esme",
        "Finn",
        "Greta",
        "Hamish",
        "Ines",
        "Jory",
        "Kezia",
        "Lorcan",
    ];
    private static readonly string[] Last =
    [
        "Harkness",
        "Olufemi",
        "Penrose",
        "Quint",
        "Reyes",
        "Sandoval",
        "Teague",
        "Ulvestad",
        "Vance",
        "Wetherby",
    ];
    private static readonly string[] Salespeople = ["J. Marchetti", "P. Nwosu", "L. Hale"];
    private static readonly string[] Methods = ["TRANSFER", "TRANSFER", "DEBIT", "CHEQUE", "CARD"];

    internal static CustomerProfile Of(int i, Currency currency, NewCustomerSettings defaults)
    {
        var abroad = currency.Code != "GBP";
        return new()
        {
            LegalName = i % 4 == 0 ? $"{DemoNames.Name(i)} Limited" : "",
            ControlGroup =
                abroad ? "ABROAD"
                : i % 3 == 0 ? "HOME"
                : "",
            Salesperson = Salespeople[i % Salespeople.Length],
            CustomerType = i % 7 == 3 ? "Public body" : "Trade",
            PaymentMethod = Methods[i % Methods.Length],
            Delivery = i % 3 == 1 ? Delivery.Email : Delivery.Print,
            Language = currency.Code == "EUR" ? "de" : "",
            // Some never confirmed their terms, which a credit check tells.
            TermsAgreedOn = i % 10 == 9 ? null : new DateOnly(2021, 1, 4).AddDays(i * 17 % 1200),
            Addresses =
                i % 5 == 2 ? [new(AddressKind.ShipTo, "Store", [$"{2 + i} Slipway Road", "Harrowmouth HX9 4QA"])] : [],
            Contacts = Contacts(i),
            Identifiers = abroad || i % 2 == 1 ? [] : [new("VAT-GB", UnitedKingdomVat(1_234_567 + (i * 7919)))],
            Fields = new Dictionary<string, string>(StringComparer.Ordinal)
            {
                ["region"] = abroad ? "Abroad" : new[] { "North shore", "Estuary", "Inland" }[i % 3],
                ["boats"] = $"{3 + (i * 11 % 60)}",
                ["since"] = $"{2004 + (i % 19)}-0{1 + (i % 9)}-01",
            },
            Responses = defaults.Responses ?? new(),
        };
    }

    private static CustomerContact[] Contacts(int i)
    {
        CustomerContact Person(int n, string role, bool active = true)
        {
            var (first, last) = (First[(i + n) % First.Length], Last[((i * 3) + n) % Last.Length]);
            return new(
                $"{first} {last}",
                role,
                $"01700 9{10_000 + (i * 37) + n}",
                $"{first.ToLowerInvariant()}@{DemoNames.Email(i).Split('@')[1]}",
                active
            );
        }

        return i % 4 == 3
            ? [Person(0, "Accounts payable"), Person(5, "Owner"), Person(2, "Purchasing", active: false)]
            : [Person(0, "Accounts payable")];
    }

    // The last two digits are what the weighted sum of the others lacks to a multiple of 97.
    private static string UnitedKingdomVat(int seven)
    {
        var digits = $"{seven:D7}";
        var sum = Enumerable.Range(0, 7).Sum(k => (digits[k] - '0') * (8 - k));
        return $"GB{digits}{97 - (sum % 97):D2}";
    }
}
