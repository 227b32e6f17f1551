namespace KiteLine.Core;

/// <summary>
/// One account of a book held in memory: who it is, its limit history, and its items in compact form.
/// </summary>
public sealed record BookAccount
{
    /// <summary>Unique.</summary>
    public required long Id { get; init; }

    /// <summary>Unique without regard to case.</summary>
    public required string Code { get; init; }

    /// <summary>The trading name.</summary>
    public required string Name { get; init; }

    /// <summary>Of all its amounts.</summary>
    public required Currency Currency { get; init; }

    /// <summary>The group it counts towards; empty for none.</summary>
    public string Group { get; init; } = "";

    /// <summary>The groups that it counted towards before, in the order in which it was moved.</summary>
    public IReadOnlyList<FormerGroup> FormerGroups { get; init; } = [];

    /// <summary>The group that it counted towards at the end of a day.</summary>
    public string GroupOn(DateOnly day) => FormerGroup.On(FormerGroups, day) ?? Group;

    /// <summary>The account as a member of the group that it counted towards at the end of a day.</summary>
    public BookAccount InGroupOn(DateOnly day)
    {
        var group = GroupOn(day);
        return ReferenceEquals(group, Group) ? this : this with { Group = group };
    }

    /// <summary>Who looks after it; empty for nobody.</summary>
    public string Owner { get; init; } = "";

    /// <summary>Code of the control group whose receivables account it stands on; empty for the company's own.</summary>
    public string ControlGroup { get; init; } = "";

    /// <summary>The company's kind of customer; empty for none.</summary>
    public string CustomerType { get; init; } = "";

    /// <summary>Code of its terms.</summary>
    public string TermsCode { get; init; } = "";

    /// <summary>
    /// Its terms, or null where they are not known; the forecast needs them for what is delivered later.
    /// </summary>
    public Terms? Terms { get; init; }

    /// <summary>Values of the company's own fields.</summary>
    public IReadOnlyDictionary<string, string> Fields { get; init; } = NoFields;

    /// <summary>In the order of their days.</summary>
    public IReadOnlyList<StateChange> States { get; init; } = [];

    /// <summary>In the order in which they were set.</summary>
    public IReadOnlyList<LimitChange> Limits { get; init; } = [];

    /// <summary>Also those that have ended.</summary>
    public IReadOnlyList<Uplift> Uplifts { get; init; } = [];

    /// <summary>Those that are exposed or held.</summary>
    public IReadOnlyList<BookOrder> Orders { get; init; } = [];

    /// <summary>Those that may not have cleared yet.</summary>
    public IReadOnlyList<BookReceipt> Receipts { get; init; } = [];

    /// <summary>Also those that are settled.</summary>
    public IReadOnlyList<BookDispute> Disputes { get; init; } = [];

    /// <summary>Those that were not withdrawn.</summary>
    public IReadOnlyList<BookPromise> Promises { get; init; } = [];

    /// <summary>Times without reminders, also those that are over.</summary>
    public IReadOnlyList<AccountPause> Pauses { get; init; } = [];

    /// <summary>When it was handed over to be collected, also where it was taken back.</summary>
    public IReadOnlyList<CollectionCase> Collection { get; init; } = [];

    /// <summary>When its customer is to be called again, or null.</summary>
    public CallAgain? CallAgain { get; init; }

    /// <summary>Items that are open, or were within the days that can be looked back to.</summary>
    public BookItem[] Items { get; init; } = [];

    /// <summary>Of all items; each item names its stretch of them.</summary>
    public BookMovement[] Movements { get; init; } = [];

    private static readonly Dictionary<string, string> NoFields = [];

    /// <summary>Identifiers of the items, in their order.</summary>
    public long[] ItemIds { get; init; } = [];

    /// <summary>Due dates that items had before their invoices were amended, in the order of posting.</summary>
    public IReadOnlyList<FormerDue> FormerDues { get; init; } = [];

    /// <summary>
    /// The due dates that the books showed at the end of a day of items whose invoices were amended, by identifier.
    /// </summary>
    public IReadOnlyDictionary<long, DateOnly> DuesOn(DateOnly day)
    {
        if (FormerDues.Count == 0)
            return NoDues;
        var items = WithDuesOn(day).Items;
        return FormerDues.Select(f => f.Item).Distinct().ToDictionary(at => ItemIds[at], at => items[at].Due);
    }

    private static readonly Dictionary<long, DateOnly> NoDues = [];

    /// <summary>The account with the due dates that the books showed at the end of a day.</summary>
    public BookAccount WithDuesOn(DateOnly day)
    {
        BookItem[]? items = null;
        // Of several changes after the day the first says what was before it.
        for (var i = FormerDues.Count - 1; i >= 0; i--)
            if (day < FormerDues[i].Until)
            {
                items ??= [.. Items];
                items[FormerDues[i].Item] = items[FormerDues[i].Item] with { Due = FormerDues[i].Due };
            }

        return items is null ? this : this with { Items = items };
    }

    /// <summary>
    /// What the books showed as open of an item at the end of a day, in minor units: a movement counts from the later
    /// of its two dates.
    /// </summary>
    public long OpenAsShown(in BookItem item, DateOnly day)
    {
        long sum = 0;
        foreach (ref readonly var movement in Movements.AsSpan(item.FirstMovement, item.Movements))
            if (movement.ShownFrom <= day)
                sum += movement.Minor;
        return sum;
    }

    /// <summary>What of receipts the books showed on account at the end of a day, in minor units.</summary>
    public long ReceiptsOnAccount(DateOnly day)
    {
        long sum = 0;
        foreach (ref readonly var item in Items.AsSpan())
            if (item.Kind == ItemKind.Receipt)
                sum -= OpenAsShown(item, day);
        return sum;
    }

    /// <summary>
    /// Cash with a value date between two days, as the books show it on another: what came in less what was taken back,
    /// in minor units.
    /// </summary>
    public long ReceivedAsShown(DateOnly from, DateOnly to, DateOnly day)
    {
        long sum = 0;
        foreach (ref readonly var item in Items.AsSpan())
        {
            if (item.Kind != ItemKind.Receipt)
                continue;
            foreach (ref readonly var m in Movements.AsSpan(item.FirstMovement, item.Movements))
                if (m.Kind == MovementKind.Opened && m.ValueDate >= from && m.ValueDate <= to && m.ShownFrom <= day)
                    sum -= m.Minor;
        }

        return sum;
    }

    /// <summary>
    /// The last day on which cash settled a part of an item, as shown on a day; what was reversed on its own value date is as
    /// if it had never been. Null where none did.
    /// </summary>
    public DateOnly? PaidOn(in BookItem item, DateOnly day)
    {
        DateOnly? last = null;
        var movements = Movements.AsSpan(item.FirstMovement, item.Movements);
        foreach (ref readonly var m in movements)
        {
            if (m.Kind != MovementKind.Cash || m.ShownFrom > day || m.ValueDate <= last)
                continue;
            long cash = 0;
            foreach (ref readonly var other in movements)
                if (other.Kind == MovementKind.Cash && other.ValueDate == m.ValueDate && other.ShownFrom <= day)
                    cash -= other.Minor;
            if (cash > 0)
                last = m.ValueDate;
        }

        return last;
    }

    /// <summary>
    /// What came in with a value date from a day on, by value date, as the books show it on another day; days on which no more
    /// came than was reversed are left out.
    /// </summary>
    public IEnumerable<(DateOnly On, long Minor)> CashByDay(DateOnly from, DateOnly day)
    {
        var days = new SortedDictionary<DateOnly, long>();
        foreach (ref readonly var item in Items.AsSpan())
        {
            if (item.Kind != ItemKind.Receipt)
                continue;
            foreach (ref readonly var m in Movements.AsSpan(item.FirstMovement, item.Movements))
                if (m.Kind == MovementKind.Opened && m.ValueDate >= from && m.ShownFrom <= day)
                    days[m.ValueDate] = days.GetValueOrDefault(m.ValueDate) - m.Minor;
        }

        return days.Where(d => d.Value > 0).Select(d => (d.Key, d.Value));
    }

    /// <summary>
    /// The account as it stands once a posting is made, for showing its effect; nothing of this is stored.
    /// </summary>
    /// <param name="reverses">The posting that it takes back, or null.</param>
    public BookAccount After(Posting posting, long? reverses = null)
    {
        ArgumentNullException.ThrowIfNull(posting);
        var added = posting
            .Movements.Concat(
                posting
                    .Allocations.Where(a => a.Debit is not null)
                    .SelectMany(a => a.OfDebit().Select(m => new ItemMovement(a.Debit!.Value, m)))
            )
            .Concat(
                posting
                    .Allocations.Where(a => a.Credit is not null)
                    .SelectMany(a => a.OfCredit().Select(m => new ItemMovement(a.Credit!.Value, m)))
            )
            .Concat(posting.Undone.SelectMany(a => a.TakenBack()))
            .ToLookup(m => m.ItemId, m => m.Movement);
        var (items, movements, ids) = (
            new List<BookItem>(Items.Length + 1),
            new List<BookMovement>(Movements.Length + 4),
            new List<long>(ItemIds)
        );
        void Add(ItemKind kind, DateOnly date, DateOnly due, IEnumerable<BookMovement> of)
        {
            var first = movements.Count;
            movements.AddRange(of);
            items.Add(new(kind, date, due, movements.Skip(first).Sum(m => m.Minor), first, movements.Count - first));
        }

        BookMovement Compact(Movement m) => new(m.ValueDate, m.Amount.Minor, posting.PostingDate, m.Kind);
        for (var i = 0; i < Items.Length; i++)
            Add(
                Items[i].Kind,
                Items[i].Date,
                Items[i].Due,
                [.. Movements.AsSpan(Items[i].FirstMovement, Items[i].Movements), .. added[ItemIds[i]].Select(Compact)]
            );
        var receipts = Receipts.Select(r => After(r, posting, reverses)).ToList();
        foreach (var (document, d) in posting.Documents.Select((x, i) => (x, i)))
        {
            var uses = d == 0 ? posting.Allocations.Where(a => a.Credit is null).ToArray() : [];
            var own = uses.SelectMany(a => a.OfCredit())
                .Concat(d == 0 ? posting.Allocations.Where(a => a.Debit is null).SelectMany(a => a.OfDebit()) : []);
            foreach (var (item, n) in document.Items.Select((x, i) => (x, i)))
            {
                // What is not in the books yet is known by a number below zero: the first one made by -1, the next by -2.
                ids.Add(Math.Min(0, ids.DefaultIfEmpty(0).Min()) - 1);
                Add(document.Kind, document.Date, item.Due, item.Movements.Concat(n == 0 ? own : []).Select(Compact));
            }

            if (document.ClearsOn is { } clears)
                receipts.Add(
                    new(
                        0,
                        0,
                        "",
                        posting.PostingDate,
                        clears,
                        null,
                        document.Net.Minor,
                        [
                            .. uses.Select(a => new BookUse(
                                posting.PostingDate,
                                null,
                                a.Cash.Minor,
                                (a.Discount + a.WriteOff).Minor
                            )),
                        ]
                    )
                );
        }

        return this with
        {
            Items = [.. items],
            Movements = [.. movements],
            ItemIds = [.. ids],
            Receipts = receipts,
        };
    }

    // What a receipt that has not cleared settles from then on.
    private static BookReceipt After(BookReceipt receipt, Posting posting, long? reverses)
    {
        var day = posting.PostingDate;
        if (receipt.Entry == reverses)
            return receipt with { TakenBackOn = day };
        var undone = posting.Undone.Select(a => a.Id).ToHashSet();
        bool Ends(BookUse use) => use.Until is null && (undone.Contains(use.Allocation) || use.MadeBy == reverses);
        return receipt with
        {
            Uses =
            [
                .. receipt.Uses.Select(u => Ends(u) ? u with { Until = day } : u),
                .. receipt.Uses.Where(u => u.UndoneBy == reverses).Select(u => u with { From = day, Until = null }),
                .. posting
                    .Allocations.Where(a => a.Credit == receipt.Item)
                    .Select(a => new BookUse(day, null, a.Cash.Minor, (a.Discount + a.WriteOff).Minor)),
                .. posting
                    .Movements.Where(m =>
                        reverses is null && m.ItemId == receipt.Item && m.Movement.Kind == MovementKind.Opened
                    )
                    .Select(m => BookUse.Moved(day, null, m.Movement.Amount.Minor)),
            ],
        };
    }

    /// <summary>What is disputed on a day of an item, never more than is open of it.</summary>
    public long DisputedAt(int item, long open, DateOnly day)
    {
        long sum = 0;
        for (var i = 0; i < Disputes.Count; i++)
            if (Disputes[i].Item == item && Disputes[i].OpenOn(day))
                sum += Disputes[i].Minor;
        return Math.Min(sum, Math.Max(0, open));
    }
}
