using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads what letters asked for and what came in on it since, out of the movements.</summary>
public static class LetterOutcomes
{
    private const string Columns = """
        SELECT r.id, r.level, r.date, r.pay_by, r.fee, r.late_charge, a.currency
        FROM reminder r JOIN account a ON a.id = r.account_id
        """;

    private const string Standing = " AND NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id)";

    /// <summary>The letters of a run that stand.</summary>
    public static IEnumerable<LetterOutcome> OfRun(SqliteConnection connection, long run, DateOnly day)
    {
        using var letters = new Prepared(
            connection,
            Columns
                + " WHERE r.id IN (SELECT reminder_id FROM run_posting WHERE run_id = ?1 AND reminder_id IS NOT NULL)"
                + Standing
        );
        letters.Bind(1, run);
        foreach (var letter in Of(connection, letters, day))
            yield return letter;
    }

    /// <summary>The letters of a period that stand, those of one plan or of all.</summary>
    /// <param name="plan">Its code; null for all.</param>
    public static IEnumerable<LetterOutcome> OfPeriod(
        SqliteConnection connection,
        DateOnly from,
        DateOnly to,
        string? plan,
        DateOnly day
    )
    {
        using var letters = new Prepared(
            connection,
            Columns
                + " WHERE r.date BETWEEN ?1 AND ?2 AND (?3 IS NULL OR r.plan_id IN (SELECT p.id FROM policy p "
                + "WHERE p.kind = 'reminder-plan' AND p.code = ?3))"
                + Standing
        );
        letters.Bind(1, from);
        letters.Bind(2, to);
        letters.Bind(3, plan);
        foreach (var letter in Of(connection, letters, day))
            yield return letter;
    }

    private static IEnumerable<LetterOutcome> Of(SqliteConnection connection, Prepared letters, DateOnly day)
    {
        using var items = new Prepared(
            connection,
            "SELECT item_id, open FROM reminder_item WHERE reminder_id = ?1 AND open > 0"
        );
        using var cash = new Prepared(
            connection,
            $"SELECT value_date, -amount FROM movement WHERE item_id = ?1 AND kind = {(int)MovementKind.Cash}"
        );
        while (letters.Next())
        {
            Wanted.ThrowIfNot();
            var currency = Currency.Of(letters.Text(6));
            items.Bind(1, letters.Long(0));
            var asked = new List<(long, IReadOnlyList<(DateOnly, long)>)>();
            while (items.Next())
            {
                cash.Bind(1, items.Long(0));
                var paid = new List<(DateOnly, long)>();
                while (cash.Next())
                    paid.Add((cash.Date(0), cash.Long(1)));
                cash.Reset();
                asked.Add((items.Long(1), paid));
            }

            items.Reset();
            yield return LetterOutcome.Of(
                (int)letters.Long(1),
                letters.Date(2),
                letters.Date(3),
                Money.FromMinor(letters.Long(4), currency),
                Money.FromMinor(letters.Long(5), currency),
                asked,
                day
            );
        }
    }
}
