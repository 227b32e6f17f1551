namespace KiteLine.Core;

/// <summary>A way in which customers pay.</summary>
/// <param name="Code">Short and unique, such as TRANSFER.</param>
/// <param name="ClearingDays">Calendar days after the value date until the money is certain.</param>
/// <param name="Account">The company's account number for the bank or till it comes in at; empty for the one for banks
/// in general.</param>
/// <param name="Iban">The bank account customers pay to, or empty.</param>
/// <param name="ByHand">Whether money so taken is banked on slips: cash, cheques, cards.</param>
public sealed record PaymentMethod(
    string Code,
    string Name,
    int ClearingDays = 0,
    string Account = "",
    string Iban = "",
    bool ByHand = false
)
{
    /// <summary>What is wrong with a list of methods, as field and sentence; empty when it can be used.</summary>
    public static IEnumerable<(string Field, string Message)> Problems(IReadOnlyList<PaymentMethod> methods)
    {
        ArgumentNullException.ThrowIfNull(methods);
        for (var i = 0; i < methods.Count; i++)
        {
            var (at, method) = ($"paymentMethods[{i}]", methods[i]);
            if (method.Code.Length is 0 or > 20)
                yield return ($"{at}.code", "Give the payment method a code of up to 20 characters.");
            else if (methods.Take(i).Any(m => m.Code.Equals(method.Code, StringComparison.OrdinalIgnoreCase)))
                yield return ($"{at}.code", $"The payment method ‘{method.Code}’ stands twice.");
            if (method.Name.Length is 0 or > 60)
                yield return ($"{at}.name", "Give the payment method a name of up to 60 characters.");
            if (method.ClearingDays is < 0 or > 90)
                yield return ($"{at}.clearingDays", "Clearing takes 0 to 90 days.");
            if (method.Iban.Length > 0 && Core.Iban.Problem(method.Iban) is { } problem)
                yield return ($"{at}.iban", problem);
        }
    }
}
