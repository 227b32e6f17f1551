using System.Collections.Frozen;

namespace KiteLine.Core;

/// <summary>
/// How many characters an IBAN has in each country: the IBAN registry's countries and those that use the form besides. A test
/// holds the table against a general-purpose library.
/// </summary>
internal static class IbanLengths
{
    private static readonly FrozenDictionary<string, int> ByCountry = new Dictionary<int, string>
    {
        [15] = "NO",
        [16] = "BE",
        [18] = "AX DK FI FK FO GL NL SD",
        [19] = "MK SI",
        [20] = "AT BA EE KZ LT LU MN XK",
        [21] = "CH HR LI LV",
        [22] = "BG BH CR DE GB GE IE ME RS VA",
        [23] = "AE GI IL IQ OM SO TL",
        [24] = "AD CZ ES MD PK RO SA SE SK TN VG",
        [25] = "AO CV GW LY MZ PT ST",
        [26] = "DZ IR IS TR",
        [27] = "BI BL CF CG CM DJ FR GA GF GP GQ GR IT KM MC MF MG MQ MR NC PF PM RE SM TD TF WF YT",
        [28] = "AL AZ BF BJ BY CI CY DO GT HN HU LB MA ML NE NI PL SN SV TG",
        [29] = "BR EG PS QA UA",
        [30] = "JO KW MU YE",
        [31] = "MT SC",
        [32] = "LC",
        [33] = "RU",
    }
        .SelectMany(l => l.Value.Split(' ').Select(country => (country, l.Key)))
        .ToFrozenDictionary(l => l.country, l => l.Key, StringComparer.Ordinal);

    /// <summary>The length in a country; null where it has none.</summary>
    /// <param name="country">ISO 3166 alpha-2, in capitals.</param>
    internal static int? Of(string country) => ByCountry.TryGetValue(country, out var length) ? length : null;
}
