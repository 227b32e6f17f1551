namespace KiteLine.Web;

/// <param name="Points">One for each of twelve ends of months, each over as many months as the period has.</param>
internal sealed record MeasuresCourseView(string Currency, IReadOnlyList<MeasuresView> Points);
