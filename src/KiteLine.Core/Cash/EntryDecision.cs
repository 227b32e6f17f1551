namespace KiteLine.Core;

/// <summary>Whether something can still be decided about an entry of a bank statement.</summary>
public static class EntryDecision
{
    /// <param name="document">Number of the receipt that it became, where it became one.</param>
    /// <param name="account">Code of the account it was posted to.</param>
    /// <exception cref="RefusedException">It does not wait; says what became of it.</exception>
    public static void RefuseUnlessWaiting(EntryState state, string? document, string? account)
    {
        if (state != EntryState.Waiting)
            throw new RefusedException(
                "entry",
                state switch
                {
                    EntryState.Pending => "The bank has not booked this entry yet; it is only shown.",
                    EntryState.Aside => "This entry was put aside; take it up again first.",
                    EntryState.Unassigned =>
                        "This entry is in the books already, its payer unknown; assign it from the "
                            + "unassigned receipts.",
                    _ => $"This entry was posted already, as {document ?? "a reversal"}"
                        + (account is null ? "." : $" on {account}."),
                }
            );
    }

    /// <exception cref="RefusedException">It is not aside.</exception>
    public static void RefuseUnlessAside(EntryState state)
    {
        if (state != EntryState.Aside)
            throw new RefusedException("entry", "This entry is not aside.");
    }
}
