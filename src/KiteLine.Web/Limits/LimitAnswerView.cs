namespace KiteLine.Web;

/// <param name="Outcome"><c>set</c>, or <c>asked</c> when it waits for somebody else's approval.</param>
internal sealed record LimitAnswerView(string Outcome, LimitRequestView? Request);
