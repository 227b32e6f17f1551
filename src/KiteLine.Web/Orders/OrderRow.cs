using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>An order as a row of the queue.</summary>
/// <param name="With">The account's limit bar with what is held of this order.</param>
/// <param name="Findings">What stood against it at its last check.</param>
internal sealed record OrderRow(
    long Id,
    string Account,
    string AccountName,
    string AccountState,
    string Currency,
    string Owner,
    string Number,
    string Date,
    string Reference,
    string Source,
    string State,
    int Seq,
    string Total,
    string Approved,
    string Invoiced,
    string NotInvoiced,
    string Held,
    string? Until,
    string? Deposit,
    string OnAccount,
    BarView With,
    IReadOnlyList<DeliveryShape> Deliveries,
    IReadOnlyList<KeptFindingView> Findings,
    string Reason
)
{
    internal static OrderRow Of(SalesOrder o, DateOnly today, AccountPosition position, AgeingBuckets buckets)
    {
        var currency = o.Account.Currency;
        string Text(long minor) => Money.FromMinor(minor, currency).ToString();
        var step = o.Last.Step;
        var findings = o.Events.LastOrDefault(e => e.Findings.Count > 0)?.Findings ?? [];
        long onAccount = 0;
        foreach (var item in position.Account.Items)
            if (item.Kind == ItemKind.Receipt)
                onAccount -= position.Account.OpenAsShown(item, today);
        return new(
            o.Id,
            o.Account.Code,
            o.Account.Name,
            Fields.Name(position.State),
            currency.Code,
            o.Account.Owner,
            o.Number,
            $"{o.Date:yyyy-MM-dd}",
            o.Reference,
            o.Source,
            Fields.Name(o.State(today)),
            o.Last.Seq,
            Text(step.Total),
            Text(step.Approved),
            Text(step.Invoiced),
            Text(step.NotInvoiced(today)),
            Text(step.Held(today)),
            step.Until?.ToString("O"),
            o.Last.Kind == OrderStepKind.DepositAsked ? Text(o.Last.Deposit) : null,
            Text(onAccount),
            BarView.Of(position with { Orders = position.Orders + step.Held(today) }, buckets),
            [.. o.Last.Deliveries.Select(d => new DeliveryShape($"{d.On:yyyy-MM-dd}", Text(d.Minor)))],
            [.. findings.Select(View)],
            o.Last.Reason
        );
    }

    internal static KeptFindingView View(KeptFinding f) => new(Fields.Name(f.Kind), Fields.Name(f.Response), f.Text);
}
