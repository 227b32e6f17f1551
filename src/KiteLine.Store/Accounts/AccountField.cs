using System.Globalization;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// One thing about an account that can be changed on many at once. Values are texts; an empty one means none.
/// </summary>
/// <param name="Key">The name it has at the interface, such as lateChargePolicy or fields.region.</param>
/// <param name="Read">The value it has on a day.</param>
/// <param name="Normal">A value as it would be read back on a day; throws what cannot be stored at all.</param>
/// <param name="Store">Gives it a value, for a reason.</param>
public sealed record AccountField(
    string Key,
    string Title,
    Func<SqliteConnection, Account, DateOnly, string> Read,
    Func<SqliteConnection, Account, DateOnly, string, string> Normal,
    Action<Tx, Account, string, string> Store
)
{
    private static readonly AccountField[] Fixed =
    [
        OfRecord("terms", "Terms", a => a.Terms, (a, v) => a with { Terms = v }),
        OfRecord(
            "lateChargePolicy",
            "Late-charge policy",
            a => a.LateChargePolicy ?? "",
            (a, v) => a with { LateChargePolicy = v }
        ),
        OfRecord("reminderPlan", "Reminder plan", a => a.ReminderPlan ?? "", (a, v) => a with { ReminderPlan = v }),
        OfRecord("taxCode", "Tax code", a => a.TaxCode ?? "", (a, v) => a with { TaxCode = v }),
        OfRecord("owner", "Owner", a => a.Owner, (a, v) => a with { Owner = v }),
        OfRecord("group", "Group", a => a.GroupName, (a, v) => a with { GroupName = v }),
        OfProfile("controlGroup", "Control group", p => p.ControlGroup, (p, v) => p with { ControlGroup = v }),
        OfProfile("salesperson", "Salesperson", p => p.Salesperson, (p, v) => p with { Salesperson = v }),
        OfProfile("customerType", "Customer type", p => p.CustomerType, (p, v) => p with { CustomerType = v }),
        OfProfile("paymentMethod", "Payment method", p => p.PaymentMethod, (p, v) => p with { PaymentMethod = v }),
        OfProfile(
            "delivery",
            "Delivery",
            p => p.Delivery == Delivery.Email ? "email" : "print",
            (p, v) => p with { Delivery = DeliveryOf(v) }
        ),
        OfProfile("language", "Language", p => p.Language, (p, v) => p with { Language = v }),
        .. Enum.GetValues<CheckFinding>().Select(Response),
        new(
            "limit",
            "Limit, from the business date on",
            StandingLimit,
            (c, a, day, v) => Limit(c, a, day, v).ToString(),
            (tx, a, v, reason) =>
                LimitStore.Change(tx, a, Limit(tx.Connection, a, tx.BusinessDate(), v), tx.BusinessDate(), reason)
        ),
    ];

    /// <summary>All there are for a company, its own fields last.</summary>
    public static IReadOnlyList<AccountField> All(CompanySettings settings)
    {
        ArgumentNullException.ThrowIfNull(settings);
        return
        [
            .. Fixed,
            .. settings.CustomerFields.Select(f =>
                OfProfile(
                    $"fields.{f.Key}",
                    f.Name,
                    p => p.Fields.GetValueOrDefault(f.Key, ""),
                    (p, v) => p with { Fields = With(p.Fields, f.Key, v) }
                )
            ),
        ];
    }

    /// <summary>The one with this key.</summary>
    /// <exception cref="RefusedException">There is none.</exception>
    public static AccountField Of(string? key, CompanySettings settings) =>
        All(settings).FirstOrDefault(f => f.Key == key)
        ?? throw new RefusedException("field", $"Choose one of {string.Join(", ", All(settings).Select(f => f.Key))}.");

    private static AccountField OfRecord(
        string key,
        string title,
        Func<Account, string> read,
        Func<Account, string, Account> write
    ) =>
        new(
            key,
            title,
            (_, a, _) => read(a),
            (_, a, _, v) => read(write(a, v)),
            (tx, a, v, reason) => AccountStore.Change(tx, write(a, v), reason)
        );

    private static AccountField OfProfile(
        string key,
        string title,
        Func<CustomerProfile, string> read,
        Func<CustomerProfile, string, CustomerProfile> write
    ) => OfRecord(key, title, a => read(a.Profile), (a, v) => a with { Profile = write(a.Profile, v) });

    private static string StandingLimit(SqliteConnection connection, Account account, DateOnly day) =>
        Money
            .FromMinor(LimitStore.Standing(connection, LimitHolder.Of(account), day, day).Standing, account.Currency)
            .ToString();

    // An amount, or a part of the limit that stands.
    private static Money Limit(SqliteConnection connection, Account account, DateOnly day, string value) =>
        value.EndsWith('%') && AmountText.TryRead(value[..^1].Trim(), out var percent) && percent is > 0 and <= 1000
            ? LimitDecision.Amount(
                Money
                    .Round(
                        LimitStore.Standing(connection, LimitHolder.Of(account), day, day).Standing
                            * percent
                            / 100
                            / account.Currency.MinorPerMajor,
                        account.Currency,
                        CompanyStore.Settings(connection).Rounding
                    )
                    .Amount,
                account.Currency,
                "value"
            )
        : AmountText.TryRead(value, out var amount) ? LimitDecision.Amount(amount, account.Currency, "value")
        : throw new RefusedException(
            "value",
            "Give a limit such as 2500.00, or a part of the present one such as 80 %."
        );

    private static AccountField Response(CheckFinding finding)
    {
        var name = $"{finding}";
        return OfProfile(
            $"responses.{char.ToLowerInvariant(name[0])}{name[1..]}",
            $"Check: {Words(name)}",
            p => $"{p.Responses.To(finding)}".ToLowerInvariant(),
            (p, v) => p with { Responses = p.Responses.With(finding, ResponseOf(v)) }
        );
    }

    private static string Words(string name) =>
        string.Concat(
            name.Select(
                (c, i) =>
                    char.IsUpper(c) && i > 0 ? " " + char.ToLowerInvariant(c) : char.ToLowerInvariant(c).ToString()
            )
        );

    private static Delivery DeliveryOf(string value) =>
        value switch
        {
            "print" => Delivery.Print,
            "email" => Delivery.Email,
            _ => throw new RefusedException("value", "Choose print or email."),
        };

    private static CheckResponse ResponseOf(string value) =>
        value switch
        {
            "tell" => CheckResponse.Tell,
            "ask" => CheckResponse.Ask,
            "refuse" => CheckResponse.Refuse,
            _ => throw new RefusedException("value", "Choose tell, ask or refuse."),
        };

    private static Dictionary<string, string> With(IReadOnlyDictionary<string, string> fields, string key, string value)
    {
        var changed = new Dictionary<string, string>(fields, StringComparer.Ordinal);
        if (value.Length == 0)
            changed.Remove(key);
        else
            changed[key] = value;
        return changed;
    }
}
