using System.Globalization;

namespace KiteLine.Core;

/// <summary>A customer as a checked row of an import states it; null is the company's default.</summary>
public sealed record CustomerRow(
    long Row,
    string? Code,
    string Name,
    Currency? Currency,
    string? Terms,
    decimal? Limit,
    string? LateChargePolicy,
    string? ReminderPlan,
    AccountState State,
    string Group,
    string Email
)
{
    /// <summary>The columns that are read, in the order in which <see cref="Check"/> expects the values.</summary>
    public static IReadOnlyList<string> Columns { get; } =
    ["code", "name", "currency", "terms", "limit", "late_charge_policy", "reminder_plan", "state", "group", "email"];

    /// <summary>Checks what can be told from the row alone; every bad value is reported and null given back.</summary>
    public static CustomerRow? Check(long row, ReadOnlySpan<string> values, Action<string, string, string> problem)
    {
        ArgumentNullException.ThrowIfNull(problem);
        var good = true;
        void Bad(string column, string value, string reason)
        {
            good = false;
            problem(column, value, reason);
        }

        var (code, name) = (values[0], values[1]);
        if (code.Length > 0 && !AccountCode.IsValid(code))
            Bad("code", code, AccountCode.Wanted);
        if (name.Length is 0 or > 200)
            Bad("name", name, "Give the customer's name, up to 200 characters.");
        Currency? currency = null;
        if (values[2].Length > 0 && !Currency.TryOf(values[2], out currency))
            Bad("currency", values[2], "Give an ISO 4217 code such as GBP.");
        decimal? limit = null;
        if (values[4].Length > 0)
        {
            if (!AmountText.TryRead(values[4], out var parsed))
                Bad("limit", values[4], "Give an amount such as 5000.00.");
            else if (parsed < 0)
                Bad("limit", values[4], "A limit is zero or above.");
            else if (parsed > Bounds.Amount)
                Bad("limit", values[4], "A limit is at most 1,000,000,000,000.");
            else if (currency is not null && !currency.Fits(parsed))
                Bad("limit", values[4], $"Give at most {currency.Decimals} decimals for {currency.Code}.");
            limit = parsed;
        }

        var state = AccountState.Open;
        if (
            values[7].Length > 0
            && !(
                Enum.TryParse(values[7], ignoreCase: true, out state)
                && Enum.IsDefined(state)
                && !char.IsAsciiDigit(values[7][0])
            )
        )
            Bad("state", values[7], "A state is open, watch or stop.");
        if (!EmailAddresses.AreSound(values[9]))
            Bad("email", values[9], EmailAddresses.Wanted);
        return good
            ? new(
                row,
                Null(code),
                name,
                currency,
                Null(values[3]),
                limit,
                Null(values[5]),
                Null(values[6]),
                state,
                values[8],
                values[9]
            )
            : null;
    }

    private static string? Null(string value) => value.Length == 0 ? null : value;
}
