using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>
/// Looks at a template before it is read, character by character and without a call that goes deeper, since a parser
/// takes room on the stack for each block, bracket and filter, and a stack that is full ends the program.
/// </summary>
internal static class LiquidShape
{
    /// <summary>
    /// The tags a letter needs. Those left out read other files, hold whole programs or count without an end.
    /// </summary>
    private static readonly HashSet<string> Tags =
    [
        "if",
        "elsif",
        "else",
        "endif",
        "unless",
        "endunless",
        "case",
        "when",
        "endcase",
        "for",
        "endfor",
        "break",
        "continue",
        "assign",
        "capture",
        "endcapture",
    ];

    private static readonly HashSet<string> Opening = ["if", "unless", "case", "for", "capture"];

    /// <summary>The filters a letter needs; none of them gives more than it is given.</summary>
    private static readonly HashSet<string> Filters =
    [
        "append",
        "capitalize",
        "default",
        "divided_by",
        "downcase",
        "first",
        "join",
        "last",
        "minus",
        "plus",
        "prepend",
        "remove",
        "round",
        "size",
        "strip",
        "times",
        "truncate",
        "upcase",
    ];

    /// <summary>What is wrong with its shape, as a sentence; null when it may be read.</summary>
    internal static string? Problem(string template)
    {
        if (template.Length > Bounds.Template)
            return $"A text has up to {Bounds.Template:N0} characters; this one has {template.Length:N0}.";
        var (tags, depth) = (0, 0);
        for (var at = 0; at + 1 < template.Length; )
        {
            if (template[at] != '{' || template[at + 1] is not ('{' or '%'))
            {
                at++;
                continue;
            }

            if (++tags > Bounds.TemplateTags)
                return $"A text has up to {Bounds.TemplateTags} fields and tags; this one has more.";
            var end = End(template, at);
            if (end < 0)
                return $"The tag ‘{Start(template, at)}’ is not closed within {Bounds.TemplateTag} characters.";
            var inside = template.AsSpan(at + 2, end - at - 4);
            if (Inside(inside) is { } wrong)
                return $"In ‘{Start(template, at)}’: {wrong}";
            if (template[at + 1] == '%')
            {
                var name = Word(inside.TrimStart('-').TrimStart());
                if (!Tags.Contains(name))
                    return $"There is no tag ‘{name}’ in these texts. Known tags: {string.Join(", ", Tags)}.";
                if (Opening.Contains(name) && ++depth > Bounds.TemplateDepth)
                    return $"Blocks stand within each other up to {Bounds.TemplateDepth} deep; these go deeper.";
                if (name.StartsWith("end", StringComparison.Ordinal))
                    depth--;
            }

            at = end;
        }

        return null;
    }

    // Where the tag that begins here is over; its close does not count inside quotes.
    private static int End(string template, int at)
    {
        var close = template[at + 1] == '{' ? '}' : '%';
        var quote = '\0';
        var most = Math.Min(template.Length - 1, at + Bounds.TemplateTag);
        for (var i = at + 2; i < most; i++)
            if (quote != '\0')
            {
                if (template[i] == '\\')
                    i++;
                else if (template[i] == quote)
                    quote = '\0';
            }
            else if (template[i] is '"' or '\'')
                quote = template[i];
            else if (template[i] == close && template[i + 1] == '}')
                return i + 2;
        return -1;
    }

    private static string? Inside(ReadOnlySpan<char> tag)
    {
        var (brackets, filters) = (0, 0);
        var quote = '\0';
        for (var i = 0; i < tag.Length; i++)
        {
            var c = tag[i];
            if (quote != '\0')
            {
                if (c == '\\')
                    i++;
                else if (c == quote)
                    quote = '\0';
                continue;
            }

            switch (c)
            {
                case '"' or '\'':
                    quote = c;
                    break;
                case '(' or '[' or '{' when ++brackets > Bounds.TemplateChain:
                    return $"there are more than {Bounds.TemplateChain} brackets.";
                case '.' when i + 1 < tag.Length && tag[i + 1] == '.':
                    return "a loop goes through a list, not from one number to another.";
                case '|':
                    if (++filters > Bounds.TemplateChain)
                        return $"there are more than {Bounds.TemplateChain} filters.";
                    var name = Word(tag[(i + 1)..].TrimStart());
                    if (!Filters.Contains(name))
                        return $"there is no filter ‘{name}’. Known filters: {string.Join(", ", Filters)}.";
                    break;
            }
        }

        return null;
    }

    private static string Word(ReadOnlySpan<char> text)
    {
        var length = 0;
        while (length < text.Length && (char.IsAsciiLetterOrDigit(text[length]) || text[length] == '_'))
            length++;
        return text[..length].ToString();
    }

    // Enough of a tag to find it again.
    private static string Start(string template, int at) =>
        template.Substring(at, Math.Min(30, template.Length - at)).ReplaceLineEndings(" ");
}
