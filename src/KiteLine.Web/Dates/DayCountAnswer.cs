using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record DayCountAnswer(int Days, string Fraction, IReadOnlyList<Working> Workings);
