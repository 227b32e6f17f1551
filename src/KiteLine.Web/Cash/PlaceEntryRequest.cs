using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Places money that came in on an account.</summary>
/// <param name="Account">Its code.</param>
/// <param name="Items">What it settles with the decisions on each; left out, what is proposed.</param>
/// <param name="Reason">Needed where a discount that was not earned is allowed, or more than the allowance written
/// off.</param>
/// <param name="Filled">Whether the items are still those that were proposed as the oldest: they are filled one by one.
/// Left out, they are named, and whatever matches is taken.</param>
/// <param name="KeepOver">Whether what was paid beyond the items stays on account, also where a reminder showed it as fee
/// or interest.</param>
/// <param name="Learn">False where the payer's bank account is not to be known as this customer's from now on.</param>
internal sealed record PlaceEntryRequest(
    string? Account,
    [property: MostEntries(Bounds.Named)] IReadOnlyList<PaymentItemShape>? Items,
    string? Reason,
    bool? Learn = null,
    bool? Filled = null,
    bool? KeepOver = null
);
