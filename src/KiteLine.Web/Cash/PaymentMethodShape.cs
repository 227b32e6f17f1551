using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="ByHand">Whether money so taken is banked on slips: cash, cheques, cards.</param>
internal sealed record PaymentMethodShape(
    string? Code,
    string? Name,
    int? ClearingDays,
    string? Account,
    string? Iban,
    bool? ByHand = null
)
{
    internal static PaymentMethodShape Of(PaymentMethod m) =>
        new(m.Code, m.Name, m.ClearingDays, m.Account, m.Iban, m.ByHand);

    internal PaymentMethod Read() =>
        new(
            Code?.Trim() ?? "",
            Name?.Trim() ?? "",
            ClearingDays ?? 0,
            Account?.Trim() ?? "",
            Core.Iban.Plain(Iban ?? ""),
            ByHand ?? false
        );
}
