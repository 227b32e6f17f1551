using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record InstalmentLine(DateOnly Due, Money Amount);
