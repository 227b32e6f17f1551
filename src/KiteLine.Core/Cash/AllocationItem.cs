using System.Globalization;

namespace KiteLine.Core;

/// <summary>An open item that a receipt may settle; a credit, of which less than nothing is open, may be used with it.</summary>
/// <param name="Id">Whatever the caller knows it by.</param>
/// <param name="Document">Its number, by which a remittance names it.</param>
/// <param name="Need">As the receipt finds it.</param>
public sealed record AllocationItem(string Id, string Document, DateOnly Due, ItemNeed Need)
{
    /// <summary>An item of the books as a receipt with value on a day finds it: instalments bear the number of their
    /// document.</summary>
    public static AllocationItem Of(ItemDetail detail, DateOnly valueDate, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(detail);
        return new(
            detail.Item.Id.ToString(CultureInfo.InvariantCulture),
            detail.Number,
            detail.Item.Due,
            detail.Item.NeedOn(valueDate, rounding)
        )
        {
            Letters = detail.Letters,
        };
    }

    /// <summary>Numbers of reminders that asked for it: a remittance that names one of them names it.</summary>
    public IReadOnlyList<string> Letters { get; init; } = [];

    /// <summary>What is open of it today, not zero.</summary>
    public Money Open => Need.Open;

    /// <summary>Whether it is a credit.</summary>
    public bool IsCredit => Need.IsCredit;

    /// <summary>The item of the books that it was made of.</summary>
    public long ItemId => long.Parse(Id, CultureInfo.InvariantCulture);
}
