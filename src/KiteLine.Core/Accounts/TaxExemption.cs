namespace KiteLine.Core;

/// <summary>Why sales to a customer bear no tax.</summary>
/// <param name="Reason">As it is printed on invoices.</param>
/// <param name="Certificate">The number of the certificate that shows it; empty where none is asked for.</param>
/// <param name="Until">The last day on which the certificate holds; null where it has no end.</param>
public sealed record TaxExemption(string Reason, string Certificate = "", DateOnly? Until = null)
{
    /// <summary>Whether a document of this date bears no tax.</summary>
    public bool HoldsOn(DateOnly date) => !(Until < date);

    /// <summary>What is wrong, as field and sentence; empty when it can be stored.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        if (string.IsNullOrWhiteSpace(Reason))
            yield return ("exemption.reason", "Give the reason why the customer bears no tax, as invoices print it.");
    }
}
