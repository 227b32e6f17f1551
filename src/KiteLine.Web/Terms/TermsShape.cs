using System.Text.Json;
using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Terms as JSON, as they are answered and as they may be sent instead of shorthand.</summary>
internal sealed record TermsShape(
    [property: MostEntries(Bounds.Instalments)] IReadOnlyList<InstalmentShape>? Instalments,
    IReadOnlyList<DiscountShape>? Discounts,
    [property: MostCharacters(Bounds.LongLine, Lines = true)] string? Text
)
{
    internal static TermsShape Of(Terms terms) =>
        new(
            [
                .. terms.Instalments.Select(i => new InstalmentShape(
                    i.Share is InstalmentShare.Percent(var p) ? Exactly.Plain(p) : null,
                    i.Share is InstalmentShare.Amount(var a) ? Exactly.Figure(a, 2, 4) : null,
                    i.Share is InstalmentShare.Remainder ? true : null,
                    DueShape.Of(i.Due)
                )),
            ],
            [
                .. terms.Discounts.Select(d => new DiscountShape(
                    d.Value is DiscountValue.Percent(var p) ? Exactly.Plain(p) : null,
                    d.Value is DiscountValue.Amount(var a) ? Exactly.Figure(a, 2, 4) : null,
                    DueShape.Of(d.Deadline)
                )),
            ],
            terms.ToString()
        );

    /// <summary>Terms given as shorthand text or in this shape.</summary>
    internal static Terms? Read(string field, JsonElement given, JsonSerializerOptions options, Fields fields)
    {
        try
        {
            return given.ValueKind switch
            {
                JsonValueKind.String => Shorthand.Read(given.GetString()!),
                JsonValueKind.Object => given.Deserialize<TermsShape>(options)!.Bounded(field).Read(field, fields),
                _ => throw new TermsException("", "Give terms as shorthand such as ‘2/10 n/30’, or as an object."),
            };
        }
        catch (ShorthandException e)
        {
            fields.Bad(field, e.Message);
        }
        catch (TermsException e)
        {
            fields.Bad(given.ValueKind == JsonValueKind.Object ? $"{field}.{e.Field}" : field, e.Message);
        }
        catch (JsonException e)
        {
            fields.Bad(
                $"{field}.{(e.Path is { Length: > 2 } path ? path[2..] : "")}".TrimEnd('.'),
                "This is not the shape that is wanted here; see /docs."
            );
        }

        return null;
    }

    private TermsShape Bounded(string field)
    {
        InputBounds.Check(this, field + ".");
        return this;
    }

    private Terms? Read(string field, Fields fields)
    {
        var sound = true;
        var instalments = new List<Instalment>();
        for (var i = 0; i < (Instalments?.Count ?? 0); i++)
        {
            var (line, at) = (Instalments![i], $"{field}.instalments[{i}]");
            var given =
                (line.Percent is null ? 0 : 1) + (line.Amount is null ? 0 : 1) + (line.Remainder is true ? 1 : 0);
            if (given != 1)
                fields.Bad(at, "Give exactly one of percent, amount and remainder.");
            InstalmentShare share =
                line.Percent is not null
                    ? new InstalmentShare.Percent(fields.Number($"{at}.percent", line.Percent, 0, 100, "a percentage"))
                : line.Amount is not null
                    ? new InstalmentShare.Amount(
                        fields.Number($"{at}.amount", line.Amount, 0, Bounds.Amount, "an amount")
                    )
                : new InstalmentShare.Remainder();
            var due = (line.Due ?? new(null, null, null, null, null)).Read($"{at}.due", fields);
            sound &= given == 1 && due is not null;
            if (due is not null)
                instalments.Add(new(share, due));
        }

        var discounts = new List<DiscountStep>();
        for (var i = 0; i < (Discounts?.Count ?? 0); i++)
        {
            var (step, at) = (Discounts![i], $"{field}.discounts[{i}]");
            var one = step.Percent is null != step.Amount is null;
            if (!one)
                fields.Bad(at, "Give exactly one of percent and amount.");
            DiscountValue value = step.Percent is not null
                ? new DiscountValue.Percent(fields.Number($"{at}.percent", step.Percent, 0, 100, "a percentage"))
                : new DiscountValue.Amount(
                    fields.Number($"{at}.amount", step.Amount ?? "0", 0, Bounds.Amount, "an amount")
                );
            var deadline = (step.Deadline ?? new(null, null, null, null, null)).Read($"{at}.deadline", fields);
            sound &= one && deadline is not null;
            if (deadline is not null)
                discounts.Add(new(value, deadline));
        }

        return sound ? Core.Terms.Create(instalments, discounts) : null;
    }
}
