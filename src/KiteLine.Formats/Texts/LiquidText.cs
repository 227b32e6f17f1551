using Fluid;
using Fluid.Values;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>A kind of text that the company writes as a Liquid template over a fixed set of fields.</summary>
/// <param name="fields">The fields a template may use, with what each stands for. A name with a dot is a field of the
/// rows of a list.</param>
public sealed class LiquidText(IReadOnlyDictionary<string, string> fields)
{
    private static readonly FluidParser Parser = new();

    /// <summary>The fields a template may use, with what each stands for.</summary>
    public IReadOnlyDictionary<string, string> Fields { get; } = fields;

    /// <summary>
    /// What is wrong with a template, as a sentence that names the fields there are; null when it is sound.
    /// </summary>
    public string? Problem(string template)
    {
        ArgumentNullException.ThrowIfNull(template);
        if (LiquidShape.Problem(template) is { } shape)
            return shape;
        if (!Parser.TryParse(template, out var parsed, out var error))
            return $"The text cannot be read: {error}.";
        var unknown = new List<string>();
        var options = Options();
        options.Undefined = name =>
        {
            unknown.Add(name);
            return ValueTask.FromResult<FluidValue>(NilValue.Instance);
        };
        try
        {
            var context = new TemplateContext(options);
            foreach (var (name, rows) in Samples())
                context.SetValue(
                    name,
                    rows is null ? new StringValue("x") : new ArrayValue([new SampleRow(rows, name, unknown)])
                );
            _ = Filled(parsed, context);
        }
        catch (TextBoundException e)
        {
            return e.Message;
        }
        catch (Exception e) when (e is not OutOfMemoryException)
        {
            // Whatever the library finds wrong in a text is the text's fault.
            return $"The text cannot be filled: {e.Message}";
        }

        return unknown.Count == 0
            ? null
            : $"There is no field ‘{unknown[0]}’. Known fields: {string.Join(", ", Fields.Keys)}.";
    }

    /// <summary>Fills a template. Lists are given as lists of rows.</summary>
    /// <exception cref="RefusedException">It is no template that <see cref="Problem"/> finds sound, or the filled text
    /// is too long; names the field <c>text</c>.</exception>
    public static string Fill(string template, IReadOnlyDictionary<string, object> values)
    {
        ArgumentNullException.ThrowIfNull(template);
        ArgumentNullException.ThrowIfNull(values);
        if (LiquidShape.Problem(template) is { } shape)
            throw new RefusedException("text", shape);
        var options = Options();
        var context = new TemplateContext(options);
        foreach (var (name, value) in values)
            context.SetValue(name, FluidValue.Create(value, options));
        try
        {
            return Filled(Parser.Parse(template), context);
        }
        catch (Exception e) when (e is TextBoundException or ParseException or InvalidOperationException)
        {
            throw new RefusedException("text", $"A text of the letter cannot be filled: {e.Message}");
        }
    }

    private static string Filled(IFluidTemplate template, TemplateContext context)
    {
        using var text = new BoundedText();
        // Nothing in a text waits for anything, so this is over when it returns.
        template.RenderAsync(text, context).AsTask().GetAwaiter().GetResult();
        return text.ToString();
    }

    private static TemplateOptions Options() =>
        new()
        {
            MaxSteps = Bounds.TemplateSteps,
            Assigned = (_, value, _) => ValueTask.FromResult(Bounded(value)),
            Captured = (_, value, _) => ValueTask.FromResult(Bounded(value)),
        };

    private static FluidValue Bounded(FluidValue value) =>
        value.ToStringValue().Length <= Bounds.TemplateValue
            ? value
            : throw new TextBoundException(
                $"The text keeps more than {Bounds.TemplateValue:N0} characters under one name."
            );

    // The fields on their own, and for each list the fields of its rows.
    private Dictionary<string, HashSet<string>?> Samples()
    {
        var samples = new Dictionary<string, HashSet<string>?>(StringComparer.Ordinal);
        foreach (var name in Fields.Keys)
        {
            var dot = name.IndexOf('.', StringComparison.Ordinal);
            if (dot < 0)
                samples[name] = null;
            else if (samples.GetValueOrDefault(name[..dot]) is { } row)
                row.Add(name[(dot + 1)..]);
            else
                samples[name[..dot]] = [name[(dot + 1)..]];
        }

        return samples;
    }

    /// <summary>
    /// One row that stands for a list, so that a loop over it meets its fields and unknown ones are noticed.
    /// </summary>
    private sealed class SampleRow(HashSet<string> known, string list, List<string> unknown) : ObjectValueBase(known)
    {
        public override ValueTask<FluidValue> GetValueAsync(string name, TemplateContext context)
        {
            if (known.Contains(name))
                return ValueTask.FromResult<FluidValue>(new StringValue("x"));
            unknown.Add($"{list}.{name}");
            return ValueTask.FromResult<FluidValue>(NilValue.Instance);
        }
    }
}
