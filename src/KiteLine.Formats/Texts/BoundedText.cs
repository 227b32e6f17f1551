using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Takes up what a template writes, up to as much as a text may have.</summary>
internal sealed class BoundedText : StringWriter
{
    /// <exception cref="TextBoundException">The text would be longer.</exception>
    public override void Write(char value)
    {
        Make(1);
        base.Write(value);
    }

    /// <inheritdoc cref="Write(char)"/>
    public override void Write(string? value)
    {
        Make(value?.Length ?? 0);
        base.Write(value);
    }

    /// <inheritdoc cref="Write(char)"/>
    public override void Write(char[] buffer, int index, int count)
    {
        Make(count);
        base.Write(buffer, index, count);
    }

    /// <inheritdoc cref="Write(char)"/>
    public override void Write(ReadOnlySpan<char> buffer)
    {
        Make(buffer.Length);
        base.Write(buffer);
    }

    private void Make(int room)
    {
        if (GetStringBuilder().Length + room > Bounds.FilledTemplate)
            throw new TextBoundException($"The filled text has more than {Bounds.FilledTemplate:N0} characters.");
    }
}
