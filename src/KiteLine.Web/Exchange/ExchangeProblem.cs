namespace KiteLine.Web;

internal sealed record ExchangeProblem(string Field, string Message);
