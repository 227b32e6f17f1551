using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>An order as a row of the queue.</summary>
/// <param name="With">The account's limit bar with what is held of this order.</param>
/// <param name="Findings">What stood against it at its last check.</param>
/// <param name="Terms">Terms of its own; null for the customer's.</param>
internal sealed record OrderRow(
    long Id,
    string Account,
    string AccountName,
    AccountState AccountState,
    string Currency,
    string Owner,
    string Number,
    DateOnly Date,
    string Reference,
    string Source,
    OrderState State,
    int Seq,
    Money Total,
    Money Approved,
    Money Invoiced,
    Money NotInvoiced,
    Money Held,
    DateOnly? Until,
    Money? Deposit,
    Money OnAccount,
    BarView With,
    IReadOnlyList<DeliveryShape> Deliveries,
    IReadOnlyList<KeptFindingView> Findings,
    string Reason,
    string? Terms
)
{
    internal static OrderRow Of(SalesOrder o, DateOnly today, AccountPosition position, AgeingBuckets buckets)
    {
        var currency = o.Account.Currency;
        Money Amount(long minor) => Money.FromMinor(minor, currency);
        var step = o.Last.Step;
        var findings = o.Events.LastOrDefault(e => e.Findings.Count > 0)?.Findings ?? [];
        return new(
            o.Id,
            o.Account.Code,
            o.Account.Name,
            position.State,
            currency.Code,
            o.Account.Owner,
            o.Number,
            o.Date,
            o.Reference,
            o.Source,
            o.State(today),
            o.Last.Seq,
            Amount(step.Total),
            Amount(step.Approved),
            Amount(step.Invoiced),
            Amount(step.NotInvoiced(today)),
            Amount(step.Held(today)),
            step.Until,
            o.Last.Kind == OrderStepKind.DepositAsked ? Amount(o.Last.Deposit) : null,
            Amount(position.Account.ReceiptsOnAccount(today)),
            BarView.Of(position with { Orders = position.Orders + step.Held(today) }, buckets),
            [.. o.Last.Deliveries.Select(d => new DeliveryShape($"{d.On:yyyy-MM-dd}", $"{Amount(d.Minor)}"))],
            [.. findings.Select(View)],
            o.Last.Reason,
            o.Terms
        );
    }

    internal static KeptFindingView View(KeptFinding f) => new(f.Kind, f.Response, f.Text);
}
