namespace KiteLine.Core;

/// <summary>
/// The items of an account out of the book in memory, for work on all accounts at once: with all that charges and
/// reminders need, without document numbers, discounts and which posting made a movement.
/// </summary>
public static class BookItems
{
    /// <summary>All items, oldest due first.</summary>
    /// <param name="beside">What charges and reminders made of them, by identifier.</param>
    public static IReadOnlyList<Item> Of(BookAccount account, IReadOnlyDictionary<long, ItemBeside> beside)
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(beside);
        var items = new Item[account.Items.Length];
        for (var i = 0; i < items.Length; i++)
        {
            ref readonly var held = ref account.Items[i];
            var id = account.ItemIds[i];
            var known = beside.GetValueOrDefault(id) ?? ItemBeside.None;
            items[i] = new()
            {
                Id = id,
                Document = "",
                Kind = held.Kind,
                Date = held.Date,
                Due = held.Due,
                Movements = Movements(account, held),
                Raised = known.Raised,
                ReminderLevel = known.Level,
                Reminders = known.Reminders,
                RemindedOn = known.RemindedOn,
                Disputes = Disputes(account, i),
            };
        }

        // They lie in the order of their identifiers, which those due on the same day keep.
        var sorted = true;
        for (var i = 1; i < items.Length && sorted; i++)
            sorted = items[i - 1].Due <= items[i].Due;
        return sorted ? items : [.. items.OrderBy(i => i.Due)];
    }

    /// <summary>One item by itself, without what charges and reminders made of it.</summary>
    /// <param name="at">Its place among the account's items.</param>
    public static Item Of(BookAccount account, int at)
    {
        ArgumentNullException.ThrowIfNull(account);
        ref readonly var held = ref account.Items[at];
        return new()
        {
            Id = account.ItemIds[at],
            Document = "",
            Kind = held.Kind,
            Date = held.Date,
            Due = held.Due,
            Movements = Movements(account, held),
        };
    }

    private static Movement[] Movements(BookAccount account, in BookItem item)
    {
        var movements = new Movement[item.Movements];
        for (var i = 0; i < movements.Length; i++)
        {
            ref readonly var m = ref account.Movements[item.FirstMovement + i];
            movements[i] = new(m.Kind, m.ValueDate, Money.FromMinor(m.Minor, account.Currency), m.Posted);
        }

        return movements;
    }

    private static ItemDispute[] Disputes(BookAccount account, int item)
    {
        if (account.Disputes.Count == 0)
            return [];
        var disputes = new List<ItemDispute>();
        foreach (var d in account.Disputes)
            if (d.Item == item)
                disputes.Add(new(Money.FromMinor(d.Minor, account.Currency), d.From, d.Until, d.AgainstCustomer));
        return [.. disputes];
    }
}
