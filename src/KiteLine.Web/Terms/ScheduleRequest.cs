using System.Text.Json;
using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Credited">What credit notes took off the invoice inside its window, gross.</param>
/// <param name="Conditions">What the terms say beside their dates; its base stands above
/// <paramref name="DiscountBase"/>.</param>
/// <param name="Printed">A template to fill for this invoice.</param>
internal sealed record ScheduleRequest(
    string? InvoiceDate,
    string? Currency,
    string? Net,
    string? Tax,
    string? NotDiscountable,
    string? DiscountBase,
    JsonElement Terms,
    string? Credited = null,
    TermsConditionsShape? Conditions = null,
    [property: MostCharacters(Bounds.Template, Lines = true)] string? Printed = null
);
