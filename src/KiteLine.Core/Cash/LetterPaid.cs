namespace KiteLine.Core;

/// <summary>
/// A reminder that a payment pays in full: what it showed as fee and interest is raised with the payment, as income of that
/// letter, and settled by it.
/// </summary>
/// <param name="Fee">The posting of the fee; null where it shows none.</param>
/// <param name="Charge">The posting of the interest; null where it shows none.</param>
/// <param name="Charged">What of the interest is raised on each item, without tax.</param>
/// <param name="Through">The day through which the items count as charged: that of the payment.</param>
public sealed record LetterPaid(
    AskedLetter Letter,
    Posting? Fee,
    Posting? Charge,
    IReadOnlyDictionary<long, Money> Charged,
    DateOnly Through
)
{
    /// <summary>
    /// The postings that are made before the payment, with the number below zero that the item of each is known by until it is
    /// in the books.
    /// </summary>
    public IEnumerable<(long Item, Posting Posting)> Raised =>
        new[] { Fee, Charge }.OfType<Posting>().Select((posting, n) => (-(n + 1L), posting));

    /// <summary>The items that they make, as the payment finds them.</summary>
    public IEnumerable<Item> Items =>
        Raised.Select(r => new Item
        {
            Id = r.Item,
            Document = $"{Letter.Number}: {(ReferenceEquals(r.Posting, Fee) ? "fee" : "interest")}",
            Kind = r.Posting.Documents[0].Kind,
            Date = r.Posting.Documents[0].Date,
            Due = r.Posting.Documents[0].Items[0].Due,
            Movements = r.Posting.Documents[0].Items[0].Movements,
        });

    /// <summary>What paying a letter in full raises.</summary>
    /// <param name="valueDate">Of the payment, by which they are dated.</param>
    /// <param name="policy">The account's late-charge policy; null without any.</param>
    /// <param name="tax">The tax code of its charges; null for none.</param>
    public static LetterPaid Of(
        AskedLetter letter,
        DateOnly valueDate,
        LateChargePolicy? policy,
        TaxCode? tax,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(letter);
        ArgumentNullException.ThrowIfNull(rules);
        var net = NetOf(letter.Interest, tax, letter.Date, rules.Rounding);
        var of = letter.InterestOf.Where(i => i.Value.Minor > 0).OrderBy(i => i.Key).ToArray();
        var shares =
            net.IsZero || of.Length == 0
                ? []
                : Shares.InProportion(net, [.. of.Select(i => i.Value.Amount)], rules.Rounding);
        return new(
            letter,
            letter.Fee.IsZero
                ? null
                : ReminderFeePosting.Of(letter.Fee, letter.Level, valueDate, valueDate, rules) with
                {
                    Text = $"Fee of reminder {letter.Number}, paid with it",
                },
            letter.Interest.IsZero
                ? null
                : LateChargePosting.Debit(
                    PostingKind.LateCharge,
                    ItemKind.LateCharge,
                    $"{policy?.Label ?? "Late charge"} of reminder {letter.Number}, paid with it",
                    net,
                    letter.Interest - net,
                    valueDate,
                    valueDate,
                    PostingPurpose.LateChargeIncome,
                    policy?.PostingAccount ?? ""
                ) with
                {
                    PostingDate = rules.Today,
                },
            of.Zip(shares).ToDictionary(x => x.First.Key, x => x.Second),
            valueDate
        );
    }

    // The net amount whose tax makes it the gross one; where rounding leaves none, the one next to it.
    private static Money NetOf(Money gross, TaxCode? tax, DateOnly day, RoundingRule rounding)
    {
        if (LateChargeTax.Of(tax, gross, day, rounding) is not { IsZero: false } most)
            return gross;
        var guess = Money.Round(gross.Amount * gross.Amount / (gross + most).Amount, gross.Currency, rounding);
        var step = Money.FromMinor(1, gross.Currency);
        foreach (var net in new[] { guess, guess + step, guess - step })
            if (net + LateChargeTax.Of(tax, net, day, rounding) == gross)
                return net;
        return guess;
    }
}
