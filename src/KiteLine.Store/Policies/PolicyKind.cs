namespace KiteLine.Store;

/// <summary>The names under which the kinds of policy are stored.</summary>
public static class PolicyKind
{
    public const string Terms = "terms";
    public const string LateCharge = "late-charge";
    public const string ReminderPlan = "reminder-plan";
    public const string Calendar = "calendar";
    public const string TaxCode = "tax-code";
    public const string ReferenceRate = "reference-rate";
}
