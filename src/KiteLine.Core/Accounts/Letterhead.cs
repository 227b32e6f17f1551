namespace KiteLine.Core;

/// <summary>The company's paper: who writes, and what stands at the foot.</summary>
/// <param name="Name">The company's name.</param>
/// <param name="Address">Its address, line by line.</param>
/// <param name="Foot">Lines at the foot of the last page: where to pay to, whom to call.</param>
public sealed record Letterhead(string Name, IReadOnlyList<string> Address, IReadOnlyList<string> Foot)
{
    /// <summary>A picture at the head of the first page, as PNG or JPEG; empty for none.</summary>
    public ReadOnlyMemory<byte> Picture { get; init; }

    /// <summary>Whether another one prints alike.</summary>
    public bool PrintsAs(Letterhead other)
    {
        ArgumentNullException.ThrowIfNull(other);
        return Name == other.Name
            && Address.SequenceEqual(other.Address)
            && Foot.SequenceEqual(other.Foot)
            && Picture.Span.SequenceEqual(other.Picture.Span);
    }
}
