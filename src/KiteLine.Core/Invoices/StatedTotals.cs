namespace KiteLine.Core;

/// <summary>The totals that an electronic invoice or credit note states, in major units of its currency.</summary>
/// <param name="Lines">BT-106, the sum of line net amounts.</param>
/// <param name="Allowances">BT-107, the sum of allowances on the document.</param>
/// <param name="Charges">BT-108, the sum of charges on the document.</param>
/// <param name="Net">BT-109, the total without tax.</param>
/// <param name="Tax">BT-110, the total tax.</param>
/// <param name="Gross">BT-112, the total with tax.</param>
/// <param name="Prepaid">BT-113, what was paid before.</param>
/// <param name="Rounding">BT-114, what the amount due is rounded by.</param>
/// <param name="Payable">BT-115, the amount due.</param>
/// <param name="LineNets">BT-131 of each line.</param>
/// <param name="AllowanceAmounts">BT-92 of each allowance on the document.</param>
/// <param name="ChargeAmounts">BT-99 of each charge on the document.</param>
/// <param name="Categories">Each tax category: BT-116 what it is levied on, BT-119 the rate, BT-117 the tax.</param>
/// <param name="Decimals">How many the currency has.</param>
public sealed record StatedTotals(
    decimal Lines,
    decimal Allowances,
    decimal Charges,
    decimal Net,
    decimal Tax,
    decimal Gross,
    decimal Prepaid,
    decimal Rounding,
    decimal Payable,
    IReadOnlyList<decimal> LineNets,
    IReadOnlyList<decimal> AllowanceAmounts,
    IReadOnlyList<decimal> ChargeAmounts,
    IReadOnlyList<(decimal Taxed, decimal Percent, decimal Tax)> Categories,
    int Decimals = 2
)
{
    // Of an exact tax the stated one may lie half a unit of the last decimal apart, whichever way halves are rounded. Where a
    // currency has fewer than two, the tax may be rounded to these.
    private decimal HalfOfTheLast => 0.5m / (decimal)Math.Pow(10, Math.Min(2, Decimals));

    /// <summary>
    /// What does not follow the calculation rules BR-CO-10 to BR-CO-17 of EN 16931-1 (from memory); empty when all do.
    /// </summary>
    public IEnumerable<string> Problems()
    {
        string Told(string rule, string what, decimal stated, decimal is_) =>
            $"{what} is {Exactly.Plain(stated)} and should be {Exactly.Plain(is_)} ({rule}).";

        if (Lines != LineNets.Sum())
            yield return Told("BR-CO-10", "The sum of the lines", Lines, LineNets.Sum());
        if (Allowances != AllowanceAmounts.Sum())
            yield return Told("BR-CO-11", "The sum of the allowances", Allowances, AllowanceAmounts.Sum());
        if (Charges != ChargeAmounts.Sum())
            yield return Told("BR-CO-12", "The sum of the charges", Charges, ChargeAmounts.Sum());
        if (Net != Lines - Allowances + Charges)
            yield return Told("BR-CO-13", "The total without tax", Net, Lines - Allowances + Charges);
        if (Tax != Categories.Sum(c => c.Tax))
            yield return Told("BR-CO-14", "The total tax", Tax, Categories.Sum(c => c.Tax));
        if (Gross != Net + Tax)
            yield return Told("BR-CO-15", "The total with tax", Gross, Net + Tax);
        if (Payable != Gross - Prepaid + Rounding)
            yield return Told("BR-CO-16", "The amount due", Payable, Gross - Prepaid + Rounding);
        foreach (var (taxed, percent, tax) in Categories)
        {
            var exact = taxed * percent / 100;
            if (Math.Abs(tax - exact) > HalfOfTheLast)
                yield return Told(
                    "BR-CO-17",
                    $"The tax of {Exactly.Plain(percent)} % on {Exactly.Plain(taxed)}",
                    tax,
                    Math.Round(exact, Math.Min(2, Decimals), MidpointRounding.AwayFromZero)
                );
        }
    }
}
