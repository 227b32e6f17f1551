namespace KiteLine.Core;

/// <summary>One item of an account in a run.</summary>
/// <param name="Item">Identifier of the item.</param>
/// <param name="Amount">What it is charged, with its part of the tax; or what the letter asks for of it.</param>
/// <param name="Interest">Late charge that a letter states for it, without tax.</param>
/// <param name="Level">The level that it reaches; 0 in a run of late charges.</param>
/// <param name="Moves">Whether it moves to that level; false where it is only listed.</param>
/// <param name="Reason">Why it is left out; empty where it is not.</param>
public sealed record RunItem(long Item, Money Amount, Money Interest, int Level, bool Moves, string Reason)
{
    /// <summary>An item that is left out with what would have been asked for.</summary>
    public static RunItem Out(long item, Money amount, string reason) =>
        new(item, amount, Money.Zero(amount.Currency), 0, false, reason);
}
