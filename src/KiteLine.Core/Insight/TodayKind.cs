namespace KiteLine.Core;

/// <summary>Why something needs a decision today.</summary>
public enum TodayKind
{
    /// <summary>An order is held; at risk is what is held of it.</summary>
    HeldOrder,

    /// <summary>A limit was asked for above somebody’s authority; at risk is how much more it is.</summary>
    Approval,

    /// <summary>The exposure is over the limit; at risk is by how much.</summary>
    OverLimit,

    /// <summary>A promise was not kept; at risk is what did not come in.</summary>
    PromiseBroken,

    /// <summary>A promise is due today; at risk is what is promised.</summary>
    PromiseDue,

    /// <summary>A limit was to be looked at again; at risk is the exposure that is not insured.</summary>
    ReviewLapsed,

    /// <summary>The limit is expected to be passed; at risk is by how much.</summary>
    WillPass,

    /// <summary>Discounts end soon that the customer can still have; at risk is what they come to.</summary>
    DiscountEnds,

    /// <summary>The customer was to be called again by now; at risk is what is overdue.</summary>
    CallAgain,
}
