namespace KiteLine.Core;

/// <summary>
/// What part of receivables a company expects to lose, by how long they are overdue: a provision matrix, as IFRS 9 allows it
/// for trade receivables.
/// </summary>
/// <param name="From">The first day it holds for.</param>
/// <param name="UpTo">Days overdue up to which each age lasts, rising; what is not due comes before, what is older
/// after.</param>
/// <param name="Rates">In percent: of what is not due, of each age, and of what is older.</param>
public sealed record ProvisionMatrix(DateOnly From, IReadOnlyList<int> UpTo, IReadOnlyList<decimal> Rates)
{
    /// <summary>A matrix has at most so many ages between what is not due and what is older.</summary>
    public const int MostAges = 20;

    /// <summary>The ages; they count from the due date.</summary>
    public AgeingBuckets Buckets() => AgeingBuckets.Of(UpTo);

    /// <summary>What is wrong with it, as field and sentence; empty when it can be used.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        var problem = "";
        try
        {
            Buckets();
        }
        catch (ArgumentException)
        {
            problem = "Give one to twenty numbers of days in rising order, such as 30, 60, 90.";
        }

        if (problem.Length > 0)
            yield return ("upTo", problem);
        if (Rates.Count != UpTo.Count + 2)
            yield return (
                "rates",
                $"Give {UpTo.Count + 2} rates: of what is not due, of each age, and of what is older."
            );
        for (var i = 0; i < Rates.Count; i++)
            if (Rates[i] is < 0 or > 100 || decimal.Round(Rates[i], 4) != Rates[i])
                yield return (
                    $"rates[{i}]",
                    "Give a percentage from 0 to 100 with at most four decimals, such as 1.6."
                );
    }

    /// <summary>The one of several that holds on a day; null where none does yet.</summary>
    /// <param name="all">In the order in which they were made.</param>
    public static ProvisionMatrix? On(IEnumerable<ProvisionMatrix> all, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(all);
        ProvisionMatrix? found = null;
        foreach (var matrix in all)
            if (matrix.From <= day && (found is null || matrix.From >= found.From))
                found = matrix;
        return found;
    }
}
