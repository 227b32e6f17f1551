namespace KiteLine.Core;

/// <summary>The answer to "may this go?": what was found, and the strictest response to it.</summary>
/// <param name="Answer">Null when nothing was found.</param>
/// <param name="Shown">Whether somebody should look at it even when nothing was found: the account is on watch.</param>
/// <param name="ExposureAfter">With the new document, in the account's currency.</param>
public sealed record CreditCheck(
    CheckSubject Subject,
    CheckResponse? Answer,
    bool Shown,
    IReadOnlyList<Finding> Findings,
    Money ExposureAfter
)
{
    /// <summary>
    /// How far beyond its limit the account, or the furthest of its groups, would be, in the account's currency; null
    /// where a group cannot be judged for want of a rate.
    /// </summary>
    public Money? OverLimit
    {
        get
        {
            var over = Findings
                .Where(f => f.Kind is CheckFinding.OverLimit or CheckFinding.GroupOverLimit)
                .Select(f => f.Beyond)
                .ToArray();
            return Array.Exists(over, o => o is null)
                ? null
                : over.Aggregate(Money.Zero(ExposureAfter.Currency), (most, o) => Money.Max(most, o!.Value));
        }
    }

    /// <summary>
    /// Judges a new document. Limits are judged with the document included, everything else as the account stands.
    /// </summary>
    public static CreditCheck Of(CheckSubject subject)
    {
        ArgumentNullException.ThrowIfNull(subject);
        var p = subject.Position;
        var currency = p.Account.Currency;
        var after = Money.FromMinor(p.Exposure, currency) + subject.Asked;
        var findings = new List<Finding>();
        if (after.Minor > p.EffectiveLimit)
            findings.Add(OverLimitOf(subject, after));
        foreach (var group in subject.Groups)
            if (OfGroup(subject, group) is { } finding)
                findings.Add(finding);
        if (OverdueOf(subject) is { } overdue)
            findings.Add(overdue);
        if (p.State == AccountState.Stop)
            findings.Add(Plain(CheckFinding.OnStop, "The account is on stop", "State", "no new supply", "stop"));
        if (p is { ReviewLapsed: true, Limit.ReviewOn: { } review })
            findings.Add(
                Plain(
                    CheckFinding.ReviewLapsed,
                    $"The review of the limit lapsed on {Exactly.Day(review)}",
                    "Review of the limit",
                    $"was to be by {Exactly.Day(review)}",
                    $"{p.Day.DayNumber - review.DayNumber} days ago"
                )
            );
        if (subject.TermsAgreedOn is null)
            findings.Add(
                Plain(
                    CheckFinding.TermsNotConfirmed,
                    "The customer never confirmed its terms",
                    "Terms confirmed",
                    "by the customer's record",
                    "never"
                )
            );
        if (PromiseLedger.On(p.Account, p.Day, subject.Calendar).Broken is { } broken)
            findings.Add(PromiseOf(subject, broken));
        return new(
            subject,
            findings.Count == 0 ? null : findings.Max(f => f.Response),
            findings.Count > 0 || p.State == AccountState.Watch,
            findings,
            after
        );

        Finding Plain(CheckFinding kind, string text, string label, string formula, string value) =>
            new(kind, subject.Responses.To(kind), text, null, [new(label, formula, value)]);
    }

    private static Finding OverLimitOf(CheckSubject subject, Money after)
    {
        var p = subject.Position;
        var limit = Money.FromMinor(p.EffectiveLimit, after.Currency);
        var by = after - limit;
        return new(
            CheckFinding.OverLimit,
            subject.Responses.OverLimit,
            $"Over the limit by {by} {by.Currency.Code}",
            by,
            [
                new("Exposure", "as the account stands", $"{Money.FromMinor(p.Exposure, after.Currency)}"),
                new("With this", $"{Money.FromMinor(p.Exposure, after.Currency)} + {subject.Asked}", $"{after}"),
                new(
                    "Effective limit",
                    $"standing {Money.FromMinor(p.StandingLimit, after.Currency)} + uplift "
                        + $"{Money.FromMinor(p.Uplift, after.Currency)}",
                    $"{limit}"
                ),
                new("Over the limit", $"{after} − {limit}", $"{by}"),
            ]
        );
    }

    private static Finding? OfGroup(CheckSubject subject, GroupPosition group)
    {
        var response = subject.Responses.GroupOverLimit;
        var asked = subject.Rates.Convert(subject.Asked, group.Group.Currency, group.Day);
        var missing =
            group.Missing.Count > 0
                ? group.Missing[0]
                : subject.Rates.Missing(subject.Asked.Currency, group.Group.Currency, group.Day);
        // A limit that cannot be judged is never passed over in silence.
        if (asked is not { } added || missing is not null)
            return new(
                CheckFinding.GroupOverLimit,
                response,
                $"The limit of {group.Group.Name} cannot be judged: there is no rate of {missing!.Code} for "
                    + $"{Exactly.Day(group.Day)}",
                null,
                group.Workings()
            );
        var after = group.Exposure + added;
        if (after <= group.EffectiveLimit)
            return null;
        var by = after - group.EffectiveLimit;
        return new(
            CheckFinding.GroupOverLimit,
            response,
            $"{group.Group.Name} over its limit by {by} {by.Currency.Code}",
            subject.Rates.Convert(by, subject.Asked.Currency, group.Day),
            [
                .. group.Workings(),
                new("With this", $"{group.Exposure} + {added}", $"{after}"),
                new("Over the limit", $"{after} − {group.EffectiveLimit}", $"{by}"),
            ]
        );
    }

    private static Finding? OverdueOf(CheckSubject subject)
    {
        var (p, rule) = (subject.Position, subject.Responses);
        var (sum, count, oldest) = Overdue.After(p.Account, rule.OverdueDays, p.Day);
        var overdue = Money.FromMinor(sum, p.Account.Currency);
        if (count == 0 || overdue.Amount <= rule.OverdueAmount)
            return null;
        return new(
            CheckFinding.Overdue,
            rule.Overdue,
            $"{overdue} {overdue.Currency.Code} overdue by more than {rule.OverdueDays} days",
            overdue,
            [
                new(
                    "Overdue",
                    $"{count} {(count == 1 ? "item" : "items")} more than {rule.OverdueDays} days past due, the "
                        + $"oldest {oldest} days",
                    $"{overdue}"
                ),
                new("Found above", "the account's rule", Exactly.Figure(rule.OverdueAmount, 2, 4)),
            ]
        );
    }

    private static Finding PromiseOf(CheckSubject subject, PromiseStanding standing)
    {
        var currency = subject.Position.Account.Currency;
        var promise = standing.Promise;
        var (promised, received) = (
            Money.FromMinor(promise.Minor, currency),
            Money.FromMinor(standing.Received + standing.ReceivedLate, currency)
        );
        var outcome = standing.State == PromiseState.PartKept ? "kept in part" : "broken";
        return new(
            CheckFinding.PromiseBroken,
            subject.Responses.PromiseBroken,
            $"A promise of {promised} by {Exactly.Day(promise.DueOn)} was {outcome}",
            promised - received,
            [
                new("Promised", $"on {Exactly.Day(promise.MadeOn)}, by {Exactly.Day(promise.DueOn)}", $"{promised}"),
                new("Received", "by value date since it was made, each payment once", $"{received}"),
                new("Missing", $"{promised} − {received}", $"{promised - received}"),
            ]
        );
    }
}
