using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Terms as JSON: what the shorthand does not say.</summary>
internal sealed record TermsConditionsShape(
    [property: TextOf(typeof(DiscountBase))] string? Base,
    int? GraceDays,
    [property: TextOf(typeof(BusinessDayRule))] string? BusinessDays,
    bool? PartPayments,
    bool? CreditNotesFollow
)
{
    internal static TermsConditionsShape Of(TermsConditions c) =>
        new(Fields.Name(c.Base), c.GraceDays, Fields.Name(c.BusinessDays), c.PartPayments, c.CreditNotesFollow);

    internal TermsConditions Read(string at, Fields fields)
    {
        var conditions = new TermsConditions
        {
            Base = fields.Choice($"{at}base", Base, (DiscountBase?)DiscountBase.Gross),
            GraceDays = GraceDays ?? 0,
            BusinessDays = fields.Choice($"{at}businessDays", BusinessDays, (BusinessDayRule?)BusinessDayRule.Keep),
            PartPayments = PartPayments ?? false,
            CreditNotesFollow = CreditNotesFollow ?? true,
        };
        foreach (var (field, message) in conditions.Problems())
            fields.Bad(at + field, message);
        return conditions;
    }
}
