using System.Globalization;

namespace KiteLine.Core;

/// <summary>
/// Writes terms in the normal form of the shorthand, which <see cref="Shorthand"/> reads back unchanged.
/// </summary>
internal static class ShorthandWriter
{
    internal static string Write(Terms terms)
    {
        var discounts = string.Join(", ", terms.Discounts.Select(step => Discount(step)));
        var due = Instalments(terms);
        // A plan of several instalments needs the comma to part it from the discounts.
        var separator =
            discounts.Length == 0 ? ""
            : terms.Instalments.Count > 1 || !due.StartsWith("n/", StringComparison.Ordinal) ? ", "
            : " ";
        return discounts + separator + due;
    }

    private static string Instalments(Terms terms) =>
        terms switch
        {
            { Moment: PaymentMoment.OnDelivery } => "COD",
            { Moment: PaymentMoment.InAdvance } => "CIA",
            { Instalments: [{ Share: InstalmentShare.Remainder or InstalmentShare.Percent { Value: 100 } } only] } =>
                only.Due.Anchor is DueAnchor.OfNextMonth ? Rule(only.Due) : "n/" + Rule(only.Due),
            _ => string.Join(", ", terms.Instalments.Select(line => $"{Share(line.Share)} {Due(line.Due)}")),
        };

    private static string Discount(DiscountStep step) =>
        (
            step.Value switch
            {
                DiscountValue.Percent(var percent) => Exactly.Plain(percent),
                DiscountValue.Amount(var amount) => Money(amount) + " off",
                _ => throw new InvalidOperationException("A discount outside the closed set."),
            }
        )
        + "/"
        + Rule(step.Deadline);

    private static string Share(InstalmentShare share) =>
        share switch
        {
            InstalmentShare.Percent(var percent) => Exactly.Plain(percent) + "%",
            InstalmentShare.Amount(var amount) => Money(amount),
            InstalmentShare.Remainder => "rest",
            _ => throw new InvalidOperationException("A share outside the closed set."),
        };

    private static string Due(DueRule rule) => rule == DueRule.AfterInvoice(0) ? "now" : Rule(rule);

    private static string Rule(DueRule rule)
    {
        var count = (rule.Months, rule.Days) switch
        {
            (0, var days) => $"{days}",
            (var months, 0) => $"{months}m",
            (var months, var days) => $"{months}m+{days}",
        };
        return rule.Anchor switch
        {
            DueAnchor.OfInvoice => count,
            DueAnchor.OfMonthEnd => count + " EOM",
            DueAnchor.OfNextMonth(var day, var cutOff) => $"{day} prox"
                + (cutOff is null ? "" : $" cut-off {cutOff}")
                + (rule.Months == 0 && rule.Days == 0 ? "" : $" +{count}"),
            _ => throw new InvalidOperationException("An anchor outside the closed set."),
        };
    }

    private static string Money(decimal amount) => amount.ToString("0.00##", CultureInfo.InvariantCulture);
}
