namespace KiteLine.Web;

/// <param name="Request">What waits for approval; null when it is set.</param>
internal sealed record LimitAnswerView(LimitOutcome Outcome, LimitRequestView? Request);
