namespace KiteLine.Web;

internal sealed record DeliveryShape([property: TextOf(typeof(DateOnly))] string? On, string? Amount);
