using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What letters of one month, level and currency brought, by value.</summary>
/// <param name="Month">Its first day.</param>
/// <param name="Running">Letters whose days to pay are not over yet.</param>
/// <param name="AllPaid">Letters that were paid in full within the days they gave.</param>
/// <param name="Asked">What was open of their items when they were issued.</param>
/// <param name="InTime">What was paid of that within the days they gave.</param>
/// <param name="Later">What was paid of it since.</param>
/// <param name="InTimeShare">What came in time, as a fraction of what was asked for.</param>
internal sealed record ReminderResultView(
    DateOnly Month,
    int Level,
    string Currency,
    int Letters,
    int Running,
    int AllPaid,
    Money Asked,
    Money Fee,
    Money Interest,
    Money InTime,
    Money Later,
    decimal? InTimeShare
)
{
    internal static ReminderResultView Of(ReminderResult r) =>
        new(
            r.Month,
            r.Level,
            r.Asked.Currency.Code,
            r.Letters,
            r.Running,
            r.AllPaid,
            r.Asked,
            r.Fee,
            r.Interest,
            r.InTime,
            r.Later,
            r.InTimeShare
        );
}
