using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record HolidayFileRequest(
    [property: MostCharacters(Bounds.CalendarFile, Lines = true)] string? Text,
    string? From,
    string? To
);
