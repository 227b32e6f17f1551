namespace KiteLine.Core;

/// <summary>A temporary addition to the standing limit, both days included.</summary>
public sealed record Uplift(DateOnly From, DateOnly Until, Money Amount)
{
    /// <summary>True on its first day, its last day and every day between.</summary>
    public bool InForce(DateOnly day) => From <= day && day <= Until;
}
