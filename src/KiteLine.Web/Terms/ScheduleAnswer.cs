using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ScheduleAnswer(
    IReadOnlyList<InstalmentLine> Instalments,
    IReadOnlyList<DiscountLine> Discounts,
    IReadOnlyList<string> Warnings,
    string Printed,
    IReadOnlyList<HolidayShape> Holidays,
    IReadOnlyList<Working> Workings
);
