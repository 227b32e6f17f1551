namespace KiteLine.Core;

/// <summary>Company-defined age bands. The first holds what is not due; the last has no end.</summary>
public sealed class AgeingBuckets
{
    private readonly int[] _upTo;

    private AgeingBuckets(int[] upTo, bool byInvoiceDate)
    {
        _upTo = upTo;
        ByInvoiceDate = byInvoiceDate;
        var names = new List<string> { "notDue" };
        for (var i = 0; i < upTo.Length; i++)
            names.Add($"{(i == 0 ? 1 : upTo[i - 1] + 1)}-{upTo[i]}");
        names.Add($"over{upTo[^1]}");
        Names = names;
    }

    /// <summary>Common practice: not due, 1–30, 31–60, 61–90, over 90 days past the due date.</summary>
    public static AgeingBuckets Default { get; } = Of([30, 60, 90]);

    /// <summary>True when age is counted from the invoice date instead of the due date.</summary>
    public bool ByInvoiceDate { get; }

    /// <summary>The last day of age of each bucket between the first and the last, in rising order.</summary>
    public IReadOnlyList<int> UpTo => _upTo;

    /// <summary>What age is counted from.</summary>
    public AgeingBasis Basis => ByInvoiceDate ? AgeingBasis.Invoice : AgeingBasis.Due;

    /// <summary>Names as used at the interface: <c>notDue</c>, <c>1-30</c>, …, <c>over90</c>.</summary>
    public IReadOnlyList<string> Names { get; }

    /// <summary>How many buckets there are, the first and the last included.</summary>
    public int Count => Names.Count;

    /// <summary>Buckets that end after these numbers of days.</summary>
    /// <exception cref="ArgumentException">No bound, more than twenty, or bounds that do not rise from at least
    /// 1.</exception>
    public static AgeingBuckets Of(IReadOnlyList<int> upTo, bool byInvoiceDate = false)
    {
        ArgumentNullException.ThrowIfNull(upTo);
        if (upTo.Count is 0 or > 20 || upTo[0] < 1 || upTo.Zip(upTo.Skip(1)).Any(p => p.First >= p.Second))
            throw new ArgumentException(
                "Give one to twenty numbers of days in rising order, such as 30, 60, 90.",
                nameof(upTo)
            );
        return new([.. upTo], byInvoiceDate);
    }

    /// <summary>The same ages counted from another day.</summary>
    public AgeingBuckets By(AgeingBasis basis) =>
        basis == AgeingBasis.Invoice == ByInvoiceDate ? this : new(_upTo, basis == AgeingBasis.Invoice);

    /// <summary>The age in days by this company's basis; zero or below is not due.</summary>
    public int DaysOf(DateOnly date, DateOnly due, DateOnly day) =>
        day.DayNumber - (ByInvoiceDate ? date : due).DayNumber;

    /// <summary>The bucket of an age in days.</summary>
    public int IndexOf(int days)
    {
        if (days <= 0)
            return 0;
        var i = 0;
        while (i < _upTo.Length && days > _upTo[i])
            i++;
        return i + 1;
    }
}
