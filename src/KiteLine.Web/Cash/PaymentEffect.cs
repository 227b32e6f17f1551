using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What a payment did, or would do, to each item.</summary>
internal static class PaymentEffect
{
    internal static EffectView With(Effect<Payment> effect, EffectView view) => With(effect.Detail, view);

    internal static EffectView With(Payment payment, EffectView view) =>
        view with
        {
            OnAccount = payment.OnAccount,
            Total = payment.Paid,
            Payment =
            [
                .. payment.Lines.Select(l => new PaymentLineView(
                    l.Item.Id,
                    l.Item.Document,
                    l.Open,
                    l.Settlement.Cash,
                    l.Settlement.Discount,
                    l.Settlement.WriteOff,
                    l.Settlement.StaysOpen,
                    l.Offered?.Amount,
                    [.. l.Settlement.Findings.Select(FindingView.Of)]
                )),
            ],
            Credits = [.. payment.Credits.Select(c => new UsedCreditView(c.Item.Id, c.Item.Document, c.Amount))],
        };
}
