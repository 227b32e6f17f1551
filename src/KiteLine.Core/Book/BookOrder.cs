namespace KiteLine.Core;

/// <summary>An order with all its steps, oldest first.</summary>
/// <param name="Deliveries">When its parts are to be delivered; empty where that is not known.</param>
public sealed record BookOrder(
    long Id,
    string Number,
    DateOnly Date,
    IReadOnlyList<OrderStep> Steps,
    IReadOnlyList<OrderDelivery> Deliveries
)
{
    /// <summary>How it stood at the end of a day, or null when it was not in the books yet.</summary>
    public OrderStep? On(DateOnly day)
    {
        for (var i = Steps.Count - 1; i >= 0; i--)
            if (Steps[i].On <= day)
                return Steps[i];
        return null;
    }
}
