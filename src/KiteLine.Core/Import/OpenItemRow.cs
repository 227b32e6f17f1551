using System.Globalization;

namespace KiteLine.Core;

/// <summary>An open item as a checked row of an import states it. Amounts are in minor units and positive.</summary>
/// <param name="DueGiven">The due date as stated, or null when the terms decide.</param>
public readonly record struct OpenItemRow(
    string Document,
    ItemKind Kind,
    DateOnly Date,
    DateOnly? DueGiven,
    long Net,
    long Tax,
    long Gross,
    long Open,
    string Reference
)
{
    /// <summary>Why a balance cannot come in as one sum.</summary>
    public const string LumpSum =
        "A balance in one sum can't be aged, charged or reminded; enter each open document with its own date and number.";

    private static readonly string[] DateFormat = ["yyyy-MM-dd"];
    private static readonly HashSet<string> BalanceNames = new(StringComparer.Ordinal)
    {
        "BALANCE",
        "OPENINGBALANCE",
        "OPENBALANCE",
        "BALANCEBF",
        "BALANCEBROUGHTFORWARD",
        "BROUGHTFORWARD",
        "BF",
        "OB",
        "BALANCEFORWARD",
        "TOTAL",
        "LUMPSUM",
        "VARIOUS",
    };

    /// <summary>The columns that are read, in the order in which <see cref="Check"/> expects the values.</summary>
    public static IReadOnlyList<string> Columns { get; } =
    ["account", "document", "type", "date", "due", "net", "tax", "amount", "open", "terms", "reference"];

    /// <summary>Checks a row once its account, and so its currency, is known. Every bad value is reported.</summary>
    /// <returns>False when a value was bad.</returns>
    public static bool Check(
        ReadOnlySpan<string> values,
        Currency currency,
        Action<string, string, string> problem,
        out OpenItemRow row
    )
    {
        ArgumentNullException.ThrowIfNull(currency);
        ArgumentNullException.ThrowIfNull(problem);
        row = default;
        var good = true;
        if (values[1].Length is 0 or > 60)
            Bad(problem, ref good, "document", values[1], "Give the document number, up to 60 characters.");
        else if (IsBalance(values[1]))
            Bad(problem, ref good, "document", values[1], LumpSum);
        ItemKind kind;
        switch (values[2])
        {
            case "invoice" or "":
                kind = ItemKind.Invoice;
                break;
            case "credit":
                kind = ItemKind.CreditNote;
                break;
            case "receipt":
                kind = ItemKind.Receipt;
                break;
            case "balance":
                kind = ItemKind.Invoice;
                Bad(problem, ref good, "type", values[2], LumpSum);
                break;
            default:
                kind = ItemKind.Invoice;
                Bad(problem, ref good, "type", values[2], "A type is invoice, credit or receipt.");
                break;
        }

        var date = ParseDate(values[3], "date", true, problem, ref good);
        var due = ParseDate(values[4], "due", false, problem, ref good);
        if (date is { } d && due < d)
            Bad(problem, ref good, "due", values[4], "The due date is not before the document date.");

        var tax = ParseAmount(values[6], "tax", currency, problem, ref good) ?? 0;
        var net = ParseAmount(values[5], "net", currency, problem, ref good);
        var gross = ParseAmount(values[7], "amount", currency, problem, ref good) ?? (net is null ? null : net + tax);
        if (gross is null && good)
            Bad(problem, ref good, "amount", values[7], "Give the amount including tax, or net and tax.");
        if (gross == 0)
            Bad(
                problem,
                ref good,
                "amount",
                values[7],
                "The amount is above zero; credits and receipts are written positive."
            );
        if (gross is { } g && net is { } n && n + tax != g)
            Bad(problem, ref good, "amount", values[7], "Net and tax do not add up to the amount.");
        if (gross < tax)
            Bad(problem, ref good, "tax", values[6], "The tax is not more than the amount.");
        var open = ParseAmount(values[8], "open", currency, problem, ref good) ?? gross;
        if (open == 0)
            Bad(problem, ref good, "open", values[8], "An open item has something open; leave settled documents out.");
        if (open > gross)
            Bad(problem, ref good, "open", values[8], "What is open is not more than the amount.");
        if (!good)
            return false;
        row = new(values[1], kind, date!.Value, due, gross!.Value - tax, tax, gross.Value, open!.Value, values[10]);
        return true;
    }

    // What people call a balance that they mean to bring in as one sum.
    private static bool IsBalance(string document) =>
        BalanceNames.Contains(new string([.. document.Where(char.IsLetter).Select(char.ToUpperInvariant)]));

    private static DateOnly? ParseDate(
        string value,
        string column,
        bool needed,
        Action<string, string, string> problem,
        ref bool good
    )
    {
        if (value.Length == 0 && !needed)
            return null;
        if (DayText.TryRead(value, out var date))
            return date;
        Bad(problem, ref good, column, value, "Give a date as year-month-day, such as 2026-03-16.");
        return null;
    }

    private static long? ParseAmount(
        string value,
        string column,
        Currency currency,
        Action<string, string, string> problem,
        ref bool good
    )
    {
        if (value.Length == 0)
            return null;
        if (!AmountText.TryRead(value, out var amount))
            Bad(problem, ref good, column, value, "Give an amount such as 1176.00, with a point and no grouping.");
        else if (amount < 0)
            Bad(
                problem,
                ref good,
                column,
                value,
                "Amounts are written positive; the type says which side they stand on."
            );
        else if (amount > Bounds.Amount)
            Bad(problem, ref good, column, value, "An amount is at most 1,000,000,000,000.");
        else
        {
            var minor = amount * currency.MinorPerMajor;
            if (minor == decimal.Truncate(minor))
                return (long)minor;
            Bad(problem, ref good, column, value, $"Give at most {currency.Decimals} decimals for {currency.Code}.");
        }

        return null;
    }

    private static void Bad(
        Action<string, string, string> problem,
        ref bool good,
        string column,
        string value,
        string reason
    )
    {
        good = false;
        problem(column, value, reason);
    }
}
