using System.Globalization;
using System.Numerics;

namespace KiteLine.Store.Tests.Model;

/// <summary>
/// One account as a plain list of what happened to it, with every figure worked out from scratch: day by day, in whole
/// numbers and fractions of whole numbers. It shares no code with the product and none of its shortcuts, so that a rule
/// that is wrong in one of the two shows as a difference.
/// </summary>
internal sealed class BookModel(bool halfToEven, int taxPercent, int waitDays, int letterDays)
{
    /// <summary>A change of a document's open amount, in minor units.</summary>
    internal sealed record Change(DateOnly Value, DateOnly Posted, long Minor, int Deed, bool Discount = false);

    /// <summary>When a document is due and what it offers, from a day on by value; until its amendment is reversed.</summary>
    internal sealed record Offer(
        DateOnly From,
        DateOnly Posted,
        DateOnly Due,
        List<(DateOnly LastDay, long Minor)> Discounts
    )
    {
        internal DateOnly? Until { get; set; }
    }

    internal sealed class Document
    {
        internal required string Number { get; init; }

        internal required char Kind { get; init; }

        internal required DateOnly Date { get; init; }

        /// <summary>Its terms as they were posted, and each amendment of them, in order.</summary>
        internal List<Offer> Offers { get; } = [];

        internal List<Change> Changes { get; } = [];

        /// <summary>What holds on a day by value: the last that was not reversed and holds from that day or before.</summary>
        internal Offer OfferOn(DateOnly day) => Offers.Last(o => o.Until is null && o.From <= day);

        /// <summary>When it is due as the books showed it on a day.</summary>
        internal DateOnly DueShown(DateOnly day) => Offers.Last(o => o.Posted <= day && !(o.Until <= day)).Due;

        /// <summary>When it is due by value.</summary>
        internal DateOnly DueOn(DateOnly day) => OfferOn(day).Due;

        internal List<(DateOnly LastDay, long Minor)> DiscountsOn(DateOnly day) => OfferOn(day).Discounts;

        internal long Opened => Changes[0].Minor;

        internal long Left => Changes.Sum(c => c.Minor);

        internal long ByValue(DateOnly day) => Changes.Where(c => c.Value <= day).Sum(c => c.Minor);

        internal long AsShown(DateOnly day) => Changes.Where(c => c.Value <= day && c.Posted <= day).Sum(c => c.Minor);
    }

    internal sealed record Letter(
        string Number,
        DateOnly Date,
        long Fee,
        bool Posted,
        bool Replaces,
        Dictionary<string, int> Levels,
        int Deed
    );

    internal sealed record Claim(Document Of, long Minor, DateOnly From)
    {
        internal DateOnly? Settled { get; set; }
    }

    internal sealed record Promise(DateOnly Made, DateOnly Due, long Minor)
    {
        internal DateOnly? Withdrawn { get; set; }
    }

    internal List<Document> Documents { get; } = [];

    /// <summary>Charges raised: the document, the day through which, and the lines.</summary>
    internal List<(Document Document, DateOnly On, DateOnly Through, Dictionary<string, long> Lines)> Charges { get; } =
    [];

    internal List<Letter> Letters { get; } = [];

    internal List<Claim> Claims { get; } = [];

    internal List<Promise> Promises { get; } = [];

    /// <summary>
    /// Receipts with the day they clear, what of them was given as discount, and when they were taken back.
    /// </summary>
    internal List<(Document Document, DateOnly Posted, DateOnly Clears, int Deed, DateOnly? Undone)> Receipts { get; } =
    [];

    /// <summary>Marks a part of a receipt that went to another account, and one that came back.</summary>
    internal const int Moved = -2;

    internal Document Find(string number) => Documents.Single(d => d.Number == number);

    internal long Round(BigInteger numerator, BigInteger denominator)
    {
        var negative = numerator.Sign < 0;
        var whole = BigInteger.DivRem(BigInteger.Abs(numerator), denominator, out var rest);
        var twice = (rest * 2).CompareTo(denominator);
        if (twice > 0 || (twice == 0 && (!halfToEven || !whole.IsEven)))
            whole++;
        return (long)(negative ? -whole : whole);
    }

    /// <summary>The rate of a day in percent: ten, and twelve from 1 February 2026.</summary>
    private static int Rate(DateOnly day) => day >= new DateOnly(2026, 2, 1) ? 12 : 10;

    /// <summary>
    /// What an invoice accrues through a day, rounded once: each day bears a 365th of its year on what was open at its
    /// start.
    /// </summary>
    internal long Accrued(Document d, DateOnly through, DateOnly due)
    {
        if (d.Kind != 'I' || through <= due.AddDays(waitDays))
            return 0;
        var afterWait = d.ByValue(due.AddDays(waitDays));
        BigInteger sum = 0;
        for (var day = due.AddDays(1); day <= through; day = day.AddDays(1))
        {
            var open = d.ByValue(day.AddDays(-1));
            if (day <= due.AddDays(waitDays))
                open = Math.Min(open, afterWait);
            if (open > 0)
                sum += (BigInteger)open * Rate(day);
        }

        return Round(sum, 36_500);
    }

    private long Charged(Document d, DateOnly known) =>
        Charges.Where(c => c.On <= known).Sum(c => c.Lines.GetValueOrDefault(d.Number));

    private DateOnly? ChargedThrough(Document d, DateOnly known) =>
        Charges.Where(c => c.On <= known && c.Lines.ContainsKey(d.Number)).Select(c => (DateOnly?)c.Through).Max();

    /// <summary>
    /// What a charge through a day comes to on each document, when those dated up to another day were raised.
    /// </summary>
    internal Dictionary<string, long> Due(DateOnly through, DateOnly known)
    {
        var lines = new Dictionary<string, long>();
        foreach (var d in Documents.Where(d => d.Kind == 'I'))
        {
            var end = ChargedThrough(d, known) is { } former && former > through ? former : through;
            var line = Accrued(d, end, d.DueOn(through)) - Charged(d, known);
            if (line != 0)
                lines[d.Number] = line;
        }

        return lines;
    }

    internal long Tax(long net) => Round((BigInteger)net * taxPercent, 100);

    internal long Discount(Document d, DateOnly day)
    {
        var open = d.ByValue(day);
        if (open <= 0 || day < d.Date)
            return 0;
        var given = -d.Changes.Where(c => c.Discount && c.Value <= day).Sum(c => c.Minor);
        var most = d.DiscountsOn(day).Where(x => x.LastDay >= day).Select(x => x.Minor).DefaultIfEmpty(0).Max();
        return Math.Clamp(most - given, 0, open);
    }

    internal (long Open, long Discount, long Charges, long Fees) ToSettle(DateOnly day)
    {
        var net = Due(day, day).Values.Sum();
        return (
            Documents.Where(d => d.Kind != 'F').Sum(d => d.ByValue(day)),
            Documents.Sum(d => Discount(d, day)),
            net + Tax(net),
            Documents.Where(d => d.Kind == 'F').Sum(d => d.ByValue(day)) + Shown(day).Sum(l => l.Fee)
        );
    }

    /// <summary>Letters whose fee was only shown and is asked for on a day.</summary>
    internal IEnumerable<Letter> Shown(DateOnly day)
    {
        var known = Letters.Where(l => l.Date <= day && l is { Posted: false, Fee: > 0 }).ToList();
        return known.Where(
            (l, i) =>
                l.Levels.Keys.Any(n => Find(n).ByValue(day) > 0)
                && !known.Skip(i + 1).Any(later => later.Replaces && later.Levels.Keys.Any(l.Levels.ContainsKey))
        );
    }

    internal long Disputed(Document d, DateOnly day, long open) =>
        Math.Min(
            Math.Max(0, open),
            Claims.Where(c => c.Of == d && c.From <= day && !(c.Settled <= day)).Sum(c => c.Minor)
        );

    internal (long Exposure, long Overdue, long Disputed) Position(DateOnly day)
    {
        long exposure = 0,
            overdue = 0,
            disputed = 0;
        foreach (var d in Documents)
        {
            var open = d.AsShown(day);
            exposure += open;
            if (d.DueShown(day) < day)
                overdue += open;
            disputed += Disputed(d, day, open);
        }

        // Money that is not certain yet: all that would be open again if it were taken back.
        foreach (
            var r in Receipts.Where(r =>
                r.Clears > day && r.Document.Date <= day && r.Posted <= day && !(r.Undone <= day)
            )
        )
            exposure +=
                -r.Document.Opened
                // What was moved to another account waits for the bank there.
                - r.Document.Changes.Where(c => c.Deed == Moved && c.Posted <= day).Sum(c => c.Minor)
                + Documents.SelectMany(d => d.Changes).Where(c => c.Discount && c.Deed == r.Deed).Sum(c => -c.Minor);
        return (exposure, overdue, disputed);
    }

    /// <summary>
    /// How the promises stand in one word: the broken one due last, else the open one due first, else the last. Each day's
    /// money goes to the promises in the order of their due dates, each pound once.
    /// </summary>
    internal string PromiseOn(DateOnly day)
    {
        var states = PromiseStates(day);
        var told =
            states.LastOrDefault(s => s.State is "Broken" or "PartKept").State
            ?? states.FirstOrDefault(s => s.State == "Waiting").State
            ?? states.LastOrDefault().State;
        return told ?? "";
    }

    private List<(Promise Of, string State)> PromiseStates(DateOnly day)
    {
        var all = Promises
            .Where(p => p.Made <= day && !(p.Withdrawn <= day))
            .OrderBy(p => p.Due)
            .ThenBy(p => p.Made)
            .ToList();
        var (inTime, late) = (all.ToDictionary(p => p, _ => 0L), all.ToDictionary(p => p, _ => 0L));
        var money = Documents
            .Where(d => d.Kind == 'R')
            .SelectMany(d => d.Changes.Where(c => IsWhole(d, c)))
            .Where(c => c.Value <= day && c.Posted <= day)
            .GroupBy(c => c.Value)
            .OrderBy(g => g.Key);
        foreach (var came in money)
        {
            var left = Math.Max(0, -came.Sum(c => c.Minor));
            foreach (var p in all.Where(p => p.Made <= came.Key))
            {
                var taken = Math.Min(left, p.Minor - inTime[p] - late[p]);
                left -= taken;
                (came.Key <= p.Due ? inTime : late)[p] += taken;
            }
        }

        string State(Promise p) =>
            inTime[p] >= p.Minor ? "Kept"
            : inTime[p] + late[p] >= p.Minor ? "KeptLate"
            : day < Judged(p) ? "Waiting"
            : inTime[p] + late[p] > 0 ? "PartKept"
            : "Broken";
        return [.. all.Select(p => (p, State(p)))];
    }

    private bool PromiseOpen(DateOnly day) => PromiseStates(day).Any(s => s.State == "Waiting");

    // The coming in of the money and its being taken back, not what was used of it.
    private static bool IsWhole(Document receipt, Change change) => change == receipt.Changes[0] || change.Deed < 0;

    private static DateOnly Judged(Promise promise)
    {
        var day = promise.Due.AddDays(1);
        while (day.DayOfWeek is DayOfWeek.Saturday or DayOfWeek.Sunday)
            day = day.AddDays(1);
        return day;
    }

    /// <summary>The level a document reached by letters, and the date of the last.</summary>
    private (int Level, DateOnly? On) Reached(string number) =>
        Letters
            .Where(l => l.Levels.ContainsKey(number))
            .Select(l => (l.Levels[number], (DateOnly?)l.Date))
            .LastOrDefault();

    /// <summary>
    /// The next letter on a day: its items with the levels they reach, what it asks for of each debit, and its own fee.
    /// Null where none goes out.
    /// </summary>
    internal (Dictionary<string, int> Moving, Dictionary<string, long> Asked, long Fee, int Level)? NextLetter(
        DateOnly day,
        long[] fees
    )
    {
        if (PromiseOpen(day))
            return null;
        var asked = Documents
            .Where(d => d.DueOn(day) < day && d.ByValue(day) > 0)
            .ToDictionary(d => d.Number, d => d.ByValue(day) - Disputed(d, day, d.ByValue(day)));
        foreach (var (number, minor) in asked)
            if (minor == 0)
                asked.Remove(number);
        var moving = new Dictionary<string, int>();
        foreach (var number in asked.Keys.Where(n => Find(n).Kind == 'I'))
        {
            var (level, on) = Reached(number);
            if (
                level < fees.Length
                && Find(number).DueOn(day).AddDays(letterDays * (level + 1)) <= day
                && !(on?.AddDays(level == 0 ? 0 : 3) > day)
            )
                moving[number] = level + 1;
        }

        if (moving.Count == 0)
            return null;
        var credits = -Documents.Select(d => d.ByValue(day)).Where(m => m < 0).Sum();
        if (credits >= asked.Values.Sum())
            return null;
        var highest = moving.Values.Max();
        return (moving, asked, fees[highest - 1], highest);
    }

    public override string ToString() =>
        string.Join(
            '\n',
            Documents.Select(d =>
                $"{d.Number} {d.Kind} {d.Date:MM-dd} due "
                + string.Join(" or ", d.Offers.Select(o => $"{o.Due:MM-dd} from {o.From:MM-dd}"))
                + ": "
                + string.Join(
                    ", ",
                    d.Changes.Select(c =>
                        string.Create(
                            CultureInfo.InvariantCulture,
                            $"{c.Minor} by {c.Value:MM-dd} posted {c.Posted:MM-dd}"
                        )
                    )
                )
            )
        );
}
