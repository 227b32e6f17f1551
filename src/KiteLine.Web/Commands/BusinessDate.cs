using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Pins the business date of books from the command line.</summary>
internal static class BusinessDate
{
    /// <summary>Pins it until it is moved; nothing happens where no date is given.</summary>
    /// <exception cref="RefusedException">It is no date, or lies before the one that is pinned.</exception>
    internal static void Pin(Books books, string? date)
    {
        if (date is null)
            return;
        if (!DayText.TryRead(date, out var day))
            throw new RefusedException(
                "business-date",
                $"--business-date is ‘{date}’; give a date as year-month-day, such as 2026-03-16."
            );
        var stored = books.Read(CompanyStore.Get);
        if (stored.Settings.PinnedBusinessDate == day)
            return;
        if (stored.Settings.PinnedBusinessDate is { } pinned && day < pinned)
            throw new RefusedException(
                "business-date",
                $"The business date of these books goes forward from {Exactly.Day(pinned)}, never back."
            );
        books.Write(
            "command line",
            tx =>
                CompanyStore.Change(
                    tx,
                    stored.Settings with
                    {
                        PinnedBusinessDate = day,
                    },
                    stored.Version,
                    "business date"
                )
        );
    }
}
