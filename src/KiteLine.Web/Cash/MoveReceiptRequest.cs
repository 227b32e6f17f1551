namespace KiteLine.Web;

/// <summary>Moves a receipt, or a part of it, to another account.</summary>
/// <param name="Amount">Left out, all of it that was not paid back; what it settles is then undone.</param>
/// <param name="Account">Code of the account that it goes to; left out, it waits among the unassigned receipts.</param>
/// <param name="Items">What it settles there with the decisions on each; left out, what is proposed.</param>
/// <param name="Learn">False where the payer's bank account is not to be known as that customer's from now on.</param>
internal sealed record MoveReceiptRequest(
    string? Amount,
    string? Account,
    [property: MostEntries(Core.Bounds.Named)] IReadOnlyList<PaymentItemShape>? Items,
    string? Reason,
    bool? Learn = null
);
