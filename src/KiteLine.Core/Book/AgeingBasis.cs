namespace KiteLine.Core;

/// <summary>From which day age counts.</summary>
public enum AgeingBasis
{
    /// <summary>From the due date.</summary>
    Due,

    /// <summary>From the date of the invoice.</summary>
    Invoice,
}
