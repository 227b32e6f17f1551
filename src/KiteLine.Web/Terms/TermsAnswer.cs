using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TermsAnswer(
    IReadOnlyList<InstalmentShape> Instalments,
    IReadOnlyList<DiscountShape> Discounts,
    string Text,
    string? Warning,
    IReadOnlyList<Working> Workings
);
