using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

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
