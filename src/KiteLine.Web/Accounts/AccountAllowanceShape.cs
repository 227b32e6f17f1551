using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>The short-pay allowance of one account.</summary>
/// <param name="Amount">Of its own, in the account's currency.</param>
/// <param name="Percent">Of its own, of an item's open amount.</param>
internal sealed record AccountAllowanceShape(
    [property: TextOf(typeof(AllowanceChoice))] string? Choice,
    string? Amount,
    string? Percent
)
{
    internal static AccountAllowanceShape Of(AccountAllowance a) =>
        new(Fields.Name(a.Choice), Exactly.Plain(a.Amount), Exactly.Plain(a.Percent));

    internal AccountAllowance Read(AccountAllowance before, Fields fields) =>
        new(
            fields.Choice("allowance.choice", Choice, (AllowanceChoice?)before.Choice),
            fields.OptionalNumber("allowance.amount", Amount, 0, Bounds.Amount, "an amount such as 5.00")
                ?? before.Amount,
            fields.OptionalNumber("allowance.percent", Percent, 0, 100, "a percentage from 0 to 100") ?? before.Percent
        );
}
