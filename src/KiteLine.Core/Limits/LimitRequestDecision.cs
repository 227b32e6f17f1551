namespace KiteLine.Core;

/// <summary>
/// What lies above somebody's authority is asked for and answered by somebody else: who may do what with a request.
/// </summary>
public static class LimitRequestDecision
{
    /// <summary>One thing is asked for at a time.</summary>
    /// <param name="open">Who asked for the same kind of thing, how much and when; null when nothing waits.</param>
    /// <exception cref="RefusedException">The same kind of thing waits for an answer.</exception>
    public static void RefuseSecond((string AskedBy, Money Amount, DateOnly On)? open)
    {
        if (open is { } o)
            throw new RefusedException(
                "amount",
                $"{o.AskedBy} asked for {o.Amount} on {Exactly.Day(o.On)} already; that must be answered or withdrawn first."
            );
    }

    /// <exception cref="RefusedException">It was answered, withdrawn, or has expired.</exception>
    public static void RefuseUnlessOpen(RequestState state, DateOnly expiresOn, string answeredBy)
    {
        if (state == RequestState.Expired)
            throw new RefusedException(
                "request",
                $"This request expired on {Exactly.Day(expiresOn)}; it can be asked for again."
            );
        if (state != RequestState.Asked)
            throw new RefusedException(
                "request",
                $"This request was {state.ToString().ToLowerInvariant()} by {answeredBy} already."
            );
    }

    /// <param name="own">Whether who answers is who asked, by identity and not by name.</param>
    /// <exception cref="RefusedException">It is one's own, or it is refused without a reason.</exception>
    public static void RefuseAnswer(bool own, bool approve, string reason)
    {
        if (own)
            throw new RefusedException(
                "request",
                "Somebody else must answer what you asked for yourself; you can withdraw it."
            );
        if (!approve)
            Reason.Needed(reason);
    }

    /// <summary>What is approved is judged anew, since the limit may have been changed meanwhile.</summary>
    /// <param name="within">Whether it lies within the authority of who approves it.</param>
    /// <exception cref="RefusedException">It lies above that authority too.</exception>
    public static void RefuseApproval(Money resulting, bool within)
    {
        if (!within)
            throw new RefusedException(
                "request",
                $"A limit of {resulting} {resulting.Currency.Code} lies above your authority too; somebody with more must answer."
            );
    }

    /// <exception cref="RefusedException">Somebody else asked.</exception>
    public static void RefuseWithdrawal(bool own, string askedBy)
    {
        if (!own)
            throw new RefusedException("request", $"Only {askedBy}, who asked, can withdraw it.");
    }
}
