namespace KiteLine.Core;

/// <summary>A week of a cash forecast, in the base currency.</summary>
/// <param name="From">Its first day.</param>
/// <param name="To">Its last.</param>
/// <param name="Promised">What was promised for its days.</param>
/// <param name="Usual">What is expected as customers usually pay.</param>
/// <param name="Late">What is later than usual already.</param>
public sealed record CashWeek(DateOnly From, DateOnly To, MoneySum Promised, MoneySum Usual, MoneySum Late)
{
    /// <summary>All of it.</summary>
    public MoneySum Sum => new(Promised.Minor + Usual.Minor + Late.Minor, Usual.Currency);
}
