namespace KiteLine.Core;

/// <summary>Posting of money whose payer is not known: it is in the bank, and on no customer's account.</summary>
public static class UnassignedPosting
{
    /// <summary>What the bank received, and what it kept of it, against receipts that nobody is assigned to.</summary>
    /// <exception cref="RefusedException">The money has value after the business date.</exception>
    public static Posting Of(IncomingMoney money, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(money);
        ArgumentNullException.ThrowIfNull(rules);
        if (money.ValueDate > rules.Today)
            throw new RefusedException(
                "valueDate",
                $"It has value on {Exactly.Day(money.ValueDate)} only, after the business date, "
                    + $"{Exactly.Day(rules.Today)}; post it on that day."
            );
        return new Posting
        {
            Kind = PostingKind.Receipt,
            PostingDate = rules.Today,
            Text = "Receipt, payer not known",
            Lines =
            [
                new JournalLine(PostingPurpose.Bank, money.Amount, money.Origin.Method?.Account ?? ""),
                .. Posting.Journal((PostingPurpose.UnassignedReceipts, -money.Amount)),
            ],
        }.Checked();
    }
}
