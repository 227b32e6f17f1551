namespace KiteLine.Store;

/// <summary>The names under which the kinds of policy are stored.</summary>
public static class PolicyKind
{
    /// <summary>Payment terms.</summary>
    public const string Terms = "terms";

    /// <summary>Late-charge policies.</summary>
    public const string LateCharge = "late-charge";

    /// <summary>Reminder plans.</summary>
    public const string ReminderPlan = "reminder-plan";

    /// <summary>Holiday calendars.</summary>
    public const string Calendar = "calendar";

    /// <summary>Tax codes.</summary>
    public const string TaxCode = "tax-code";

    /// <summary>Reference rates.</summary>
    public const string ReferenceRate = "reference-rate";
}
