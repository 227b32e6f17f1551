namespace KiteLine.Core;

/// <summary>The derivation of an account's exposure and headroom, document by document.</summary>
public static class ExposureWorkings
{
    /// <summary>Lists every item, receipt and order that counts, then the sums and the limit.</summary>
    /// <param name="documents">The document of each of the account's items, in their order.</param>
    /// <param name="position">The account's position on the day.</param>
    /// <param name="settings">What counted on the day.</param>
    public static IReadOnlyList<Working> Of(
        IReadOnlyList<string> documents,
        AccountPosition position,
        ExposureSettings settings
    )
    {
        ArgumentNullException.ThrowIfNull(documents);
        ArgumentNullException.ThrowIfNull(position);
        ArgumentNullException.ThrowIfNull(settings);
        var (account, day) = (position.Account, position.Day);
        string Text(long minor) => Money.FromMinor(minor, account.Currency).ToString();
        var lines = new List<Working>();
        for (var i = 0; i < account.Items.Length; i++)
        {
            var item = account.Items[i];
            var open = account.OpenAsShown(item, day);
            if (open == 0)
                continue;
            var disputed = account.DisputedAt(i, open, day);
            var counts = settings.Counts(item.Kind);
            var counted = settings.DisputedCount ? open : open - disputed;
            var note =
                !counts ? ", not counted by the company"
                : disputed > 0
                    ? settings.DisputedCount ? $", {Text(disputed)} of it disputed"
                        : $", {Text(open)} less {Text(disputed)} disputed"
                : "";
            lines.Add(
                new(
                    documents[i],
                    $"{Name(item.Kind)} of {Exactly.Day(item.Date)}, due {Exactly.Day(item.Due)}{note}",
                    counts ? Text(counted) : "—"
                )
            );
        }

        lines.Add(new("Open items", "sum of the above", Text(position.OpenItems)));
        foreach (var receipt in account.Receipts)
            if (receipt.UnclearedOn(day, settings) is > 0 and var uncleared)
                lines.Add(
                    new(receipt.Number, $"receipt, certain from {Exactly.Day(receipt.ClearsOn)}", Text(uncleared))
                );
        foreach (var order in account.Orders)
        {
            if (order.On(day) is not { } step)
                continue;
            var open = step.NotInvoiced(day);
            if (open > 0)
                lines.Add(
                    new(
                        order.Number,
                        $"order of {Exactly.Day(order.Date)}: approved {Text(step.Approved)} − invoiced "
                            + $"{Text(step.Invoiced)}{(step.Until is { } until ? $", approved until {Exactly.Day(until)}" : "")}",
                        Text(open)
                    )
                );
        }

        var parts =
            $"open items "
            + Text(position.OpenItems)
            + (position.Uncleared != 0 ? $" + not cleared {Text(position.Uncleared)}" : "")
            + $" + orders {Text(position.Orders)}";
        lines.Add(new("Exposure", parts, Text(position.Exposure)));
        lines.Add(
            new(
                "Effective limit",
                $"standing {Text(position.StandingLimit)} + uplift {Text(position.Uplift)}",
                Text(position.EffectiveLimit)
            )
        );
        lines.Add(
            new("Headroom", $"{Text(position.EffectiveLimit)} − {Text(position.Exposure)}", Text(position.Headroom))
        );
        if (position.Limit?.Insured is > 0 and var insured)
            lines.Add(
                new(
                    "Not insured",
                    $"exposure {Text(position.Exposure)} − insured {Text(insured)}, not below zero",
                    Text(Math.Max(0, position.Exposure - insured))
                )
            );
        return lines;
    }

    private static string Name(ItemKind kind) =>
        kind switch
        {
            ItemKind.Invoice => "invoice",
            ItemKind.CreditNote => "credit note",
            ItemKind.Receipt => "receipt on account",
            ItemKind.LateCharge => "late charge",
            ItemKind.ReminderFee => "reminder fee",
            ItemKind.Refund => "refund",
            ItemKind.BankFee => "bank fee",
            _ => throw new ArgumentOutOfRangeException(nameof(kind)),
        };
}
