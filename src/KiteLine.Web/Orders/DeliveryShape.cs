namespace KiteLine.Web;

internal sealed record DeliveryShape(string? On, string? Amount);
