using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record CheckFindingView(
    string Kind,
    string Response,
    string Text,
    string? Beyond,
    IReadOnlyList<Working> Workings
);

/// <summary>The answer to "may this go?".</summary>
/// <param name="Answer"><c>pass</c>, or the strictest response to what was found: <c>tell</c>, <c>ask</c> or
/// <c>refuse</c>.</param>
/// <param name="Shown">Somebody should look at it even when it passes.</param>
internal sealed record CheckView(
    string Account,
    string Name,
    string Currency,
    string Asked,
    string Answer,
    bool Shown,
    string Exposure,
    string ExposureAfter,
    string EffectiveLimit,
    string HeadroomAfter,
    IReadOnlyList<CheckFindingView> Findings
)
{
    internal static CheckView Of(CreditCheck check)
    {
        var p = check.Subject.Position;
        var limit = Money.FromMinor(p.EffectiveLimit, p.Account.Currency);
        return new(
            p.Account.Code,
            p.Account.Name,
            p.Account.Currency.Code,
            $"{check.Subject.Asked}",
            check.Answer is { } a ? Fields.Name(a) : "pass",
            check.Shown,
            $"{Money.FromMinor(p.Exposure, p.Account.Currency)}",
            $"{check.ExposureAfter}",
            $"{limit}",
            $"{limit - check.ExposureAfter}",
            [
                .. check.Findings.Select(f => new CheckFindingView(
                    Fields.Name(f.Kind),
                    Fields.Name(f.Response),
                    f.Text,
                    f.Beyond?.ToString(),
                    f.Workings
                )),
            ]
        );
    }
}

internal sealed record DeliveryShape(string? On, string? Amount);

internal sealed record KeptFindingView(string Kind, string Response, string Text);

internal sealed record OrderEventView(
    int Seq,
    string Kind,
    string On,
    string Total,
    string Approved,
    string Invoiced,
    string? Until,
    string? Deposit,
    IReadOnlyList<KeptFindingView> Findings,
    string Reason,
    string MadeBy,
    string MadeAt
);

/// <summary>What a limit bar draws.</summary>
internal sealed record BarView(
    string Limit,
    string Uplift,
    string EffectiveLimit,
    string Exposure,
    string Headroom,
    IReadOnlyList<BucketName> Ageing,
    IReadOnlyList<string> Bar
)
{
    internal static BarView Of(AccountPosition p, AgeingBuckets buckets)
    {
        string Text(long minor) => Money.FromMinor(minor, p.Account.Currency).ToString();
        return new(
            Text(p.StandingLimit),
            Text(p.Uplift),
            Text(p.EffectiveLimit),
            Text(p.Exposure),
            Text(p.Headroom),
            [.. buckets.Names.Select(n => new BucketName(n))],
            [.. p.DrawnParts().Select(Text)]
        );
    }
}

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

/// <param name="Before">The account without what is held of the order.</param>
/// <param name="After">The account with all of the order approved.</param>
internal sealed record OrderPage(
    OrderRow Order,
    AccountRow Before,
    AccountRow After,
    CheckView Check,
    IReadOnlyList<PromiseView> Promises,
    string Overdue,
    int OldestDays,
    IReadOnlyList<OrderEventView> Events
);

/// <summary>What an action on an order did, or would do.</summary>
internal sealed record OrderEffectView(
    bool Preview,
    OrderRow Order,
    CheckView? Check,
    AccountRow Before,
    AccountRow After
);

internal sealed record PromiseView(
    long Id,
    string MadeOn,
    string DueOn,
    string Amount,
    string Received,
    string State,
    string Contact,
    string Note,
    string MadeBy
);

internal sealed record DisputeView(
    long Id,
    long ItemId,
    string Document,
    string Amount,
    string From,
    string Owner,
    string Reason,
    string MadeBy,
    string? SettledOn,
    string? Outcome
);
