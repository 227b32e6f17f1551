using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The record of an account, in short.</summary>
internal sealed record AccountView(
    string Code,
    string Name,
    string Currency,
    string Terms,
    string? LateChargePolicy,
    string? ReminderPlan,
    string? TaxCode,
    string Group,
    string Owner,
    string Email,
    string Address,
    string PaymentMethod,
    string? TermsAgreedOn,
    long Version
)
{
    internal static AccountView Of(Account a) =>
        new(
            a.Code,
            a.Name,
            a.Currency.Code,
            a.Terms,
            a.LateChargePolicy,
            a.ReminderPlan,
            a.TaxCode,
            a.GroupName,
            a.Owner,
            a.Email,
            a.Address,
            a.Profile.PaymentMethod,
            a.Profile.TermsAgreedOn?.ToString("O"),
            a.Version
        );
}

/// <summary>A customer's whole record with the version that guards it.</summary>
internal sealed record CustomerView(CustomerShape Customer, long Version);

internal sealed record ItemDiscountView(string Deadline, string LastDay, int GraceDays, string Amount, bool InForce);

/// <summary>A mark on the life strip: a reminder sent, or one to come.</summary>
internal sealed record MarkView(int Level, string Date, bool Sent, string? Number);

/// <summary>One item as the account page shows it.</summary>
/// <param name="Open">As the books showed it on the day; the items add up to the account's balance.</param>
/// <param name="LateCharge">Accrued by value and not raised, with its part of the tax; null for nothing.</param>
/// <param name="OpenByValue">By value: differs on a past day where something was posted later with an earlier value
/// date.</param>
/// <param name="Disputed">What of it is disputed.</param>
internal sealed record ItemView(
    long Id,
    string Document,
    string Kind,
    string Date,
    string Due,
    string Terms,
    string Opened,
    string Open,
    int DaysOverdue,
    int Bucket,
    IReadOnlyList<ItemDiscountView> Discounts,
    string? DiscountToday,
    string? LateCharge,
    string? ChargedThrough,
    string? ChargesFrom,
    int ReminderLevel,
    IReadOnlyList<MarkView> Marks,
    string Reference,
    string OpenByValue,
    string Disputed
);

internal sealed record StepView(string Text, string? Date, bool Alarm);

internal sealed record AccountPage(
    AccountView Account,
    AccountRow Position,
    string AsOf,
    IReadOnlyList<string> Buckets,
    IReadOnlyList<ItemView> Items,
    IReadOnlyList<StepView> NextSteps,
    IReadOnlyList<ReminderView> Reminders,
    IReadOnlyList<LimitEventView> History,
    IReadOnlyList<LimitRequestView> Requests,
    IReadOnlyList<PromiseView> Promises,
    IReadOnlyList<DisputeView> Disputes,
    IReadOnlyList<OrderRow> Orders
);

internal sealed record ReminderView(
    string Number,
    int Level,
    string Date,
    string PayBy,
    string Fee,
    bool FeePosted,
    string LateCharge,
    string Total,
    string? Cancelled
);

/// <param name="UpliftId">Of an uplift that can be ended; null for everything else.</param>
internal sealed record LimitEventView(
    string Kind,
    string From,
    string? Until,
    string Amount,
    string Source,
    string Insured,
    string Security,
    string SecurityAmount,
    string? ReviewOn,
    string Reason,
    string MadeBy,
    string MadeAt,
    long? UpliftId
)
{
    internal static LimitEventView Of(LimitEvent e) =>
        new(
            e.Kind,
            e.From == DateOnly.MinValue ? "" : $"{e.From:yyyy-MM-dd}",
            e.Until?.ToString("O"),
            $"{e.Amount}",
            Fields.Name(e.Source),
            $"{e.Insured}",
            e.Security,
            $"{e.SecurityAmount}",
            e.ReviewOn?.ToString("O"),
            e.Reason,
            e.MadeBy,
            e.MadeAt,
            e.Id
        );
}

internal sealed record NextChangeView(string Date, string Reason);

/// <summary>What a customer must pay on a day.</summary>
internal sealed record SettlementView(
    string On,
    string Currency,
    string Open,
    string Discount,
    int DiscountItems,
    string LateCharges,
    string Fees,
    string ToPay,
    NextChangeView? NextChange,
    string? ChargeRule,
    IReadOnlyList<Working> Workings
);

internal sealed record WorkingsView(string Title, IReadOnlyList<Working> Workings);

internal sealed record LedgerRowView(
    long EntryId,
    string Kind,
    string PostingDate,
    string Text,
    string? Number,
    string Currency,
    string Change,
    string? Balance,
    bool Reversed,
    bool CanReverse,
    long? OpeningDocument,
    string PostedBy,
    string AccountCode,
    string AccountName
)
{
    internal static LedgerRowView Of(LedgerRow r, long? balance)
    {
        string Text(long minor) => Money.FromMinor(minor, r.Currency).ToString();
        return new(
            r.EntryId,
            Fields.Name(r.Kind),
            $"{r.PostingDate:yyyy-MM-dd}",
            r.Text,
            r.Number,
            r.Currency.Code,
            Text(r.Change),
            balance is { } b ? Text(b) : null,
            r.ReversedBy is not null,
            r.ReversedBy is null && r.Kind is not PostingKind.Reversal,
            r.OpeningDocument,
            r.PostedBy,
            r.AccountCode,
            r.AccountName
        );
    }
}
