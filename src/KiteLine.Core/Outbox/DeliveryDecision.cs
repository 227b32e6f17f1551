namespace KiteLine.Core;

/// <summary>By which way a message goes, and to whom.</summary>
/// <param name="To">E-mail addresses; empty on paper.</param>
/// <param name="Note">What is told of it; empty for nothing.</param>
public sealed record DeliveryDecision(Delivery Delivery, IReadOnlyList<string> To, string Note)
{
    /// <summary>
    /// As it was chosen for this message, or else as it is wanted: who wants e-mail and has no address gets paper.
    /// </summary>
    /// <param name="wanted">By the customer, or by the level of a reminder.</param>
    /// <param name="chosen">For this message alone; null where nothing was.</param>
    /// <param name="typed">Addresses for this message alone; null for the customer's own.</param>
    /// <param name="known">The customer's own addresses for what the message brings.</param>
    /// <exception cref="RefusedException">An address is none, or e-mail was chosen and there is no address; names the
    /// field <c>recipients</c>.</exception>
    public static DeliveryDecision Of(Delivery wanted, Delivery? chosen, string? typed, IReadOnlyList<string> known)
    {
        if (typed is not null && !EmailAddresses.AreSound(typed))
            throw new RefusedException("recipients", EmailAddresses.Wanted);
        var to = typed is null ? known : EmailAddresses.Of(typed);
        if ((chosen ?? wanted) == Delivery.Print)
            return new(Delivery.Print, [], "");
        if (to.Count > 0)
            return new(Delivery.Email, to, "");
        return chosen is null
            ? new(Delivery.Print, [], "There is no e-mail address to send it to; it is to be printed.")
            : throw new RefusedException(
                "recipients",
                "There is no e-mail address to send it to; give one, or have it printed."
            );
    }
}
