namespace KiteLine.Core;

/// <summary>How the figures of a replay come about.</summary>
public static class ReplayWorkings
{
    /// <summary>What the company had, and would have had, line by line.</summary>
    public static IReadOnlyList<Working> Of(ReplayFigures happened, ReplayFigures would, Currency currency)
    {
        ArgumentNullException.ThrowIfNull(happened);
        ArgumentNullException.ThrowIfNull(would);
        ArgumentNullException.ThrowIfNull(currency);
        string Text(decimal minor) => $"{new MoneySum((Int128)minor, currency)}";
        IEnumerable<Working> Lines(string when, ReplayFigures f) =>
            [
                new($"Charges, {when}", $"{f.Charged} items charged, without tax", Text(f.Charges)),
                new($"Fees, {when}", $"{f.Letters} letters", Text(f.Fees)),
                new($"Discounts, {when}", $"{f.Discounted} payments took one", Text(f.Discounts)),
                new(
                    $"Interest, {when}",
                    "cash × days earlier × cost of capital ÷ 365, rounded for each item",
                    Text(f.Interest)
                ),
                new(
                    $"Brings, {when}",
                    $"{Text(f.Charges)} + {Text(f.Fees)} + {Text(f.Interest)} − {Text(f.Discounts)}",
                    Text(f.Brings)
                ),
            ];
        return
        [
            .. Lines("happened", happened),
            .. Lines("would have", would),
            new("Difference", $"{Text(would.Brings)} − {Text(happened.Brings)}", Text(would.Brings - happened.Brings)),
        ];
    }

    /// <summary>What a replay takes for granted, in sentences that stand beside its result.</summary>
    public static IReadOnlyList<string> Assumptions(WhatIfChange change)
    {
        ArgumentNullException.ThrowIfNull(change);
        var sentences = new List<string>
        {
            change.MovesFrom is { } from
                ? $"A payment moves to the deadline of a discount that costs the customer {Exactly.Plain(from * 100)} % a year "
                    + "or more; who paid early for a discount pays when the new terms ask for it. All others stay on their days."
                : "Payments come on the days on which they came and settle what they settled.",
            "The money of a payment stays as it came. What it leaves short under other terms stays open.",
            "What was decided by hand stays decided: discounts allowed late or left untaken, items left out or cut.",
        };
        if (change.Terms is not null)
            sentences.Add(
                "New terms hold for invoices of the period that are one item both ways; those with instalments keep theirs."
            );
        if (change.LateCharges is not null || change.Terms is not null)
            sentences.Add("Charges are raised on the days on which the company raised charges. Taxes are left out.");
        if (change.Reminders is not null || change.Terms is not null)
            sentences.Add("Letters go out on the days on which the company sent reminders.");
        if (change.LimitFactor is not null || change.Responses is not null)
            sentences.Add("Orders are checked by how the account stood at the end of their day; groups’ limits stay.");
        return sentences;
    }
}
