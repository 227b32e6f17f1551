namespace KiteLine.Core;

/// <summary>Words of a business's name that say in what form it is one, and not which one it is.</summary>
internal static class LegalForms
{
    /// <summary>In capitals, without points; of the European and English-speaking countries.</summary>
    internal static HashSet<string> Words { get; } =
    [
        "THE",
        "AND",
        "CO",
        "COMPANY",
        "LTD",
        "LIMITED",
        "PLC",
        "LLP",
        "LLC",
        "INC",
        "CORP",
        "GMBH",
        "AG",
        "KG",
        "BV",
        "NV",
        "SA",
        "SAS",
        "SARL",
        "SRL",
        "SPA",
        "AB",
        "AS",
        "APS",
        "OY",
        "PTY",
    ];
}
