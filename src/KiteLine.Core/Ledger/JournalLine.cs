namespace KiteLine.Core;

/// <summary>One line of a journal entry. A positive amount is a debit, a negative one a credit.</summary>
/// <param name="Account">The account number where it is not the company's own for the purpose; empty otherwise.</param>
public sealed record JournalLine(PostingPurpose Purpose, Money Amount, string Account = "")
{
    /// <summary>The purposes whose lines stand for customers' balances.</summary>
    public static IReadOnlyList<PostingPurpose> OfCustomers { get; } =
    [.. Enum.GetValues<PostingPurpose>().Where(AreCustomers)];

    /// <summary>
    /// Whether the line stands for customers' balances, which the items of the accounts must add up to.
    /// </summary>
    public bool IsCustomers => AreCustomers(Purpose);

    internal static bool AreCustomers(PostingPurpose purpose) =>
        purpose is PostingPurpose.Receivables or PostingPurpose.CashOnAccount;
}
