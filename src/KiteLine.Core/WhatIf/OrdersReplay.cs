namespace KiteLine.Core;

/// <summary>
/// The orders of a period under other limits and check rules, as the account stood when each came in. What a group's limit said
/// stays as it was said.
/// </summary>
internal static class OrdersReplay
{
    /// <summary>The lines of the orders that were held or would have been.</summary>
    internal static IEnumerable<ReplayedLine> Of(
        ReplayFacts facts,
        WhatIfChange change,
        MeasuredPeriod period,
        ReplayRules rules
    )
    {
        var limits = change.LimitFactor is { } factor
            ? facts.Book with
            {
                Limits = Scaled(facts.Book, factor, rules),
            }
            : facts.Book;
        var responses = change.Responses ?? facts.Responses;
        foreach (var order in facts.Orders.Where(o => period.Holds(o.On)))
        {
            var would = order.Held;
            if (change.LimitFactor is not null || change.Responses is not null)
            {
                var own = Goes(facts.Book, facts.Responses, order, facts, rules);
                var other = Goes(limits, responses, order, facts, rules);
                // Where both rules say the same, what happened stays: somebody may have known more than the rules.
                if (own != other)
                    would = other ? Money.Zero(order.Total.Currency) : order.Total;
            }

            if (order.Held.Minor > 0 || would.Minor > 0)
                yield return new(
                    ReplayKind.OrderHeld,
                    order.On,
                    order.Number,
                    order.Held.Minor > 0 ? order.Held : null,
                    would.Minor > 0 ? would : null
                );
        }
    }

    private static bool Goes(
        BookAccount account,
        CheckResponses responses,
        CheckedOrder order,
        ReplayFacts facts,
        ReplayRules rules
    )
    {
        var before = account with { Orders = [.. account.Orders.Where(o => o.Id < order.Id)] };
        var check = CreditCheck.Of(
            new()
            {
                Position = AccountPosition.On(before, order.On, rules.Positions),
                Asked = order.Total,
                Responses = responses,
                TermsAgreedOn = facts.TermsAgreedOn,
                Groups = [],
                Rates = rules.Books.Rates,
                Calendar = rules.Books.Calendar,
            }
        );
        return OrderDecision.Goes(check, order.Reason)
            && !(
                order.Found.Contains(CheckFinding.GroupOverLimit)
                && (
                    responses.GroupOverLimit == CheckResponse.Refuse
                    || (responses.GroupOverLimit == CheckResponse.Ask && string.IsNullOrWhiteSpace(order.Reason))
                )
            );
    }

    private static LimitChange[] Scaled(BookAccount account, decimal factor, ReplayRules rules) =>
        [
            .. account.Limits.Select(l =>
                l with
                {
                    Amount = Money.Round(l.Amount.Amount * factor, l.Amount.Currency, rules.Books.Rounding),
                }
            ),
        ];
}
