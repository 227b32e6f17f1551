using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Takes payments.</summary>
public sealed class ReceiptDesk(ItemStore items)
{
    /// <summary>Works out a payment and posts it. Run in a rehearsal it shows what it would do.</summary>
    /// <exception cref="RefusedException">A field is wrong, or an item is closed.</exception>
    public Effect<Payment> Take(Tx tx, PaymentRequest request, DateOnly businessDate, RequestKey? key = null)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(request);
        var account = AccountStore.Get(tx.Connection, request.Account);
        var settings = CompanyStore.Settings(tx.Connection);
        if (request.ValueDate > businessDate) throw new RefusedException("valueDate", $"The value date is not after the business date, {Exactly.Day(businessDate)}.");
        if (settings.ClosedThrough is { } closed && request.ValueDate <= closed)
            throw new RefusedException("valueDate", $"The books are closed through {Exactly.Day(closed)}; choose a later date.");
        if (request.Cash <= 0) throw new RefusedException("cash", "Give the amount received, above zero.");
        if (request.Cash != account.Currency.Round(request.Cash))
            throw new RefusedException("cash", $"Give at most {account.Currency.Decimals} decimals for {account.Currency.Code}.");

        var method = settings.PaymentMethods.FirstOrDefault(m => m.Code == request.Method);
        if (method is null && request.Method.Length > 0) throw new RefusedException("method", $"There is no payment method ‘{request.Method}’; choose one of {string.Join(", ", settings.PaymentMethods.Select(m => m.Code))}.");

        var details = items.Details(tx.Connection, account).ToDictionary(d => d.Item.Id);
        var chosen = new List<ChosenItem>();
        foreach (var (id, choice) in request.Choices)
        {
            if (!details.TryGetValue(id, out var detail) || detail.Item.OpenAt(DateOnly.MaxValue).Minor <= 0)
                throw new RefusedException("items", "One of the chosen items is closed or is no debit of this account; load the account again and choose among its open items.");
            if (choice == DiscountChoice.Grant && detail.Item.DiscountOn(request.ValueDate) is null && string.IsNullOrWhiteSpace(request.Reason))
                throw new RefusedException("reason", $"The discount of {detail.Item.Document} is not earned; give the reason for allowing it.");
            chosen.Add(new(detail.Item, choice, request.WriteOffs?.Contains(id) ?? false));
        }

        if (request.WriteOffs is { Count: > 0 } && string.IsNullOrWhiteSpace(request.Reason)) throw new RefusedException("reason", "Give the reason for writing off more than the allowance.");

        return Effect.Around(tx, account, businessDate, () =>
        {
            var payment = Payment.Of(Money.Exact(request.Cash, account.Currency), request.ValueDate, chosen, settings.Allowance);
            RefuseAboveAuthority(tx, payment, chosen);
            var posting = ReceiptPosting.Of(payment, businessDate, request.Reference.Trim(),
                settings.AdjustTaxOnDiscount ? item => details[item.Id].TaxShare : null, method);
            if (request.Reason.Trim() is { Length: > 0 } reason) posting = posting with { Text = $"Receipt; {reason}" };
            return (PostingStore.Post(tx, account, posting, key: key), posting.Lines, payment);
        });
    }

    // Of each item: a discount that was not earned, and a write-off beyond the allowance.
    private static void RefuseAboveAuthority(Tx tx, Payment payment, IReadOnlyList<ChosenItem> chosen)
    {
        foreach (var line in payment.Lines)
        {
            var choice = chosen.First(c => c.Item.Id == line.Item.Id);
            if (choice.Discount == DiscountChoice.Grant && line.Offered is null && !Authorised.Covers(tx, tx.Actor.Authority.Discount, line.Settlement.Discount, "cash"))
                throw new RefusedException("items", $"The unearned discount of {line.Settlement.Discount} on {line.Item.Document} lies above your authority; leave it open or ask somebody with more.");
            if (choice.WriteOffRest && !Authorised.Covers(tx, tx.Actor.Authority.WriteOff, line.Settlement.WriteOff, "cash"))
                throw new RefusedException("items", $"Writing off {line.Settlement.WriteOff} on {line.Item.Document} lies above your authority; leave it open or ask somebody with more.");
        }
    }
}
