namespace KiteLine.Core;

/// <summary>Why an account gets no reminder.</summary>
public enum ReminderHold
{
    /// <summary>It has no plan.</summary>
    NoPlan,

    /// <summary>The amounts of its plan cannot be stated in its currency.</summary>
    NoRate,

    /// <summary>It was handed over to be collected by others.</summary>
    HandedOver,

    /// <summary>Nothing is overdue.</summary>
    NothingOverdue,

    /// <summary>All that is overdue is disputed, or was left out.</summary>
    AllHeld,

    /// <summary>Payment is promised.</summary>
    Promised,

    /// <summary>Its reminders are paused.</summary>
    Paused,

    /// <summary>The waits of the next level are not over.</summary>
    NotYet,

    /// <summary>Every overdue item has had its last reminder.</summary>
    LastSent,

    /// <summary>Its credits cover what is overdue.</summary>
    Credits,

    /// <summary>Less is overdue than the level asks for.</summary>
    TooLittle,
}
