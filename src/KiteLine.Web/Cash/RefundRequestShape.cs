using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Credits">Identifiers of the credits that it is taken from, the oldest first.</param>
/// <param name="BankAccount">IBAN or another number of the account that it goes to.</param>
/// <param name="Holder">Whose that is; left out, the customer.</param>
/// <param name="Reference">What the customer reads; left out, the number of the refund.</param>
internal sealed record RefundRequestShape(
    [property: MostEntries(Bounds.Named)] IReadOnlyList<long>? Credits,
    string? Amount,
    string? BankAccount,
    string? Holder,
    string? Reference,
    string? Reason
);
