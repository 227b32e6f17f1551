namespace KiteLine.Core;

/// <summary>The derivation of an account's exposure and headroom, item by item.</summary>
public static class ExposureWorkings
{
    /// <summary>Lists every item and order that counts, then the sums and the limit.</summary>
    /// <param name="items">The account's items; those not open on the day are skipped.</param>
    /// <param name="position">The same account's position on the same day.</param>
    /// <param name="day">The day.</param>
    /// <param name="settings">What counts.</param>
    public static IReadOnlyList<Working> Of(
        IEnumerable<Item> items, AccountPosition position, DateOnly day, ExposureSettings settings)
    {
        ArgumentNullException.ThrowIfNull(items);
        ArgumentNullException.ThrowIfNull(position);
        ArgumentNullException.ThrowIfNull(settings);
        var currency = position.Account.Currency;
        string Text(long minor) => Money.FromMinor(minor, currency).ToString();
        var lines = new List<Working>();
        foreach (var item in items)
        {
            var open = item.OpenAt(day);
            if (open.IsZero) continue;
            var counts = settings.Counts(item.Kind);
            lines.Add(new(item.Document, $"{Name(item.Kind)} of {Exactly.Day(item.Date)}, due {Exactly.Day(item.Due)}{(counts ? "" : ", not counted by the company")}",
                counts ? open.ToString() : "—"));
        }

        lines.Add(new("Open items", "sum of the above", Text(position.OpenItems)));
        foreach (var order in position.Account.Orders.Where(o => o.Date <= day && !o.NotInvoiced.IsZero))
            lines.Add(new(order.Number, $"order of {Exactly.Day(order.Date)}, not yet invoiced", order.NotInvoiced.ToString()));
        lines.Add(new("Exposure", $"open items {Text(position.OpenItems)} + orders {Text(position.Orders)}", Text(position.Exposure)));
        lines.Add(new("Effective limit", $"standing {Text(position.StandingLimit)} + uplift {Text(position.Uplift)}", Text(position.EffectiveLimit)));
        lines.Add(new("Headroom", $"{Text(position.EffectiveLimit)} − {Text(position.Exposure)}", Text(position.Headroom)));
        return lines;
    }

    private static string Name(ItemKind kind) => kind switch
    {
        ItemKind.Invoice => "invoice",
        ItemKind.CreditNote => "credit note",
        ItemKind.Receipt => "receipt on account",
        ItemKind.LateCharge => "late charge",
        ItemKind.ReminderFee => "reminder fee",
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };
}
