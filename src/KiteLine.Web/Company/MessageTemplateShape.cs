using KiteLine.Core;
using KiteLine.Formats;

namespace KiteLine.Web;

/// <summary>What the company writes in its e-mails of one purpose, to customers of one language.</summary>
/// <param name="Language">In two letters; empty for every customer of another language.</param>
internal sealed record MessageTemplateShape(
    [property: TextOf(typeof(MessagePurpose))] string? Purpose,
    string? Language,
    [property: MostCharacters(Bounds.LongLine)] string? Subject,
    [property: MostCharacters(Bounds.Template, Lines = true)] string? Body
)
{
    internal static MessageTemplateShape Of(MessageTemplate t) =>
        new(Fields.Name(t.Purpose), t.Language, t.Subject, t.Body);

    internal static IReadOnlyList<MessageTemplate> Read(IReadOnlyList<MessageTemplateShape> given, Fields fields)
    {
        var read = given
            .Select(
                (t, i) =>
                    new MessageTemplate(
                        fields.Choice<MessagePurpose>($"messageTexts[{i}].purpose", t.Purpose),
                        t.Language?.Trim() ?? "",
                        t.Subject?.Trim() ?? "",
                        t.Body ?? ""
                    )
            )
            .ToArray();
        foreach (var (at, field, message) in MessageTemplate.Problems(read))
            fields.Bad($"messageTexts[{at}].{field}", message);
        for (var i = 0; i < read.Length; i++)
            foreach (var (name, text) in new[] { ("subject", read[i].Subject), ("body", read[i].Body) })
                if (MessageTexts.Kind.Problem(text) is { } problem)
                    fields.Bad($"messageTexts[{i}].{name}", problem);
        return read;
    }
}
