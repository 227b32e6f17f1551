namespace KiteLine.Core;

/// <summary>ISO 4217 active currencies of countries with the decimals of their minor units.</summary>
/// <remarks>The list is compared with the npm package <c>currency-codes</c> by the tests.</remarks>
internal static class CurrencyTable
{
    private const string NoDecimals = "BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX UYI VND VUV XAF XOF XPF";
    private const string ThreeDecimals = "BHD IQD JOD KWD LYD OMR TND";
    private const string FourDecimals = "CLF UYW";

    private const string TwoDecimals =
        "AED AFN ALL AMD AOA ARS AUD AWG AZN BAM BBD BDT BMD BND BOB BOV BRL BSD BTN BWP BYN BZD CAD CDF CHE CHF CHW "
        + "CNY COP COU CRC CUP CVE CZK DKK DOP DZD EGP ERN ETB EUR FJD FKP GBP GEL GHS GIP GMD GTQ GYD HKD HNL HTG HUF "
        + "IDR ILS INR IRR JMD KES KGS KHR KPW KYD KZT LAK LBP LKR LRD LSL MAD MDL MGA MKD MMK MNT MOP MRU MUR MVR MWK "
        + "MXN MXV MYR MZN NAD NGN NIO NOK NPR NZD PAB PEN PGK PHP PKR PLN QAR RON RSD RUB SAR SBD SCR SDG SEK SGD SHP "
        + "SLE SOS SRD SSP STN SVC SYP SZL THB TJS TMT TOP TRY TTD TWD TZS UAH USD USN UYU UZS VED VES WST XCD YER ZAR ZMW ZWG";

    internal static IEnumerable<(string Code, int Decimals)> Codes()
    {
        foreach (
            var (codes, decimals) in new[] { (NoDecimals, 0), (TwoDecimals, 2), (ThreeDecimals, 3), (FourDecimals, 4) }
        )
        foreach (var code in codes.Split(' '))
            yield return (code, decimals);
    }
}
