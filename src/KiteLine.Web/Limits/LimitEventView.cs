using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <param name="UpliftId">Of an uplift that can be ended; null for everything else.</param>
internal sealed record LimitEventView(
    LimitEventKind Kind,
    DateOnly? From,
    DateOnly? Until,
    Money Amount,
    LimitSource Source,
    Money Insured,
    string Security,
    Money SecurityAmount,
    DateOnly? ReviewOn,
    string Reason,
    string MadeBy,
    string MadeAt,
    long? UpliftId
)
{
    internal static LimitEventView Of(LimitEvent e) =>
        new(
            e.Kind,
            e.From == DateOnly.MinValue ? null : e.From,
            e.Until,
            e.Amount,
            e.Source,
            e.Insured,
            e.Security,
            e.SecurityAmount,
            e.ReviewOn,
            e.Reason,
            e.MadeBy,
            e.MadeAt,
            e.Id
        );
}
