namespace KiteLine.Core;

/// <summary>Sentences that stand on an invoice or a credit note beside its figures.</summary>
public static class DocumentWords
{
    /// <summary>What late payment costs, as the customer is told beforehand; empty where it costs nothing.</summary>
    /// <param name="policy">Of the customer on the day on which the document is posted; null where there is none.</param>
    public static string LateCharge(LateChargePolicy? policy, DateOnly date) =>
        policy is null
            ? ""
            : $"Paid late, it bears {policy.Label.ToLowerInvariant()}: {LateChargeWords.Of(policy, date)}.";

    /// <summary>Why it is not taxed; empty where it is, or no reason is known.</summary>
    public static string Exemption(TaxExemption? exemption, DateOnly date, Money tax) =>
        tax.IsZero && exemption is not null && exemption.HoldsOn(date)
            ? $"No tax: {exemption.Reason}"
                + (exemption.Certificate.Length > 0 ? $", certificate {exemption.Certificate}" : "")
                + "."
            : "";

    /// <summary>That an invoice was amended; empty where it was not.</summary>
    public static string Amended(DateOnly? on) =>
        on is { } day ? $"Amended on {Exactly.Day(day)}: these terms take the place of those printed before." : "";
}
