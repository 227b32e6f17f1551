using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record PaymentMethodShape(string? Code, string? Name, int? ClearingDays, string? Account, string? Iban)
{
    internal static PaymentMethodShape Of(PaymentMethod m) => new(m.Code, m.Name, m.ClearingDays, m.Account, m.Iban);

    internal PaymentMethod Read() =>
        new(
            Code?.Trim() ?? "",
            Name?.Trim() ?? "",
            ClearingDays ?? 0,
            Account?.Trim() ?? "",
            Core.Iban.Plain(Iban ?? "")
        );
}
