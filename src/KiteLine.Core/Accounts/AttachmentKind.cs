namespace KiteLine.Core;

/// <summary>What a file to be kept is, told from its content and not from its name alone.</summary>
/// <param name="MediaType">IANA media type; empty where it is not kept.</param>
/// <param name="Problem">Why it is not kept, as a sentence; null when it is.</param>
public sealed record AttachmentKind(string MediaType, string? Problem)
{
    /// <summary>The largest file that is kept, in bytes.</summary>
    public const int MaxBytes = 5 * 1024 * 1024;

    private const string Kept = "PDF, PNG, JPEG, XLSX, DOCX, CSV and plain text are kept";

    // The first bytes that each kind of file begins with; a text has none of its own.
    private static readonly (string Extension, string MediaType, byte[] Start)[] Known =
    [
        (".pdf", "application/pdf", "%PDF-"u8.ToArray()),
        (".png", "image/png", [0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A]),
        (".jpg", "image/jpeg", [0xFF, 0xD8, 0xFF]),
        (".jpeg", "image/jpeg", [0xFF, 0xD8, 0xFF]),
        (".xlsx", "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", "PK\u0003\u0004"u8.ToArray()),
        (
            ".docx",
            "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
            "PK\u0003\u0004"u8.ToArray()
        ),
        (".csv", "text/csv", []),
        (".txt", "text/plain", []),
    ];

    /// <summary>Looks at a file.</summary>
    public static AttachmentKind Of(string name, ReadOnlySpan<byte> content)
    {
        ArgumentNullException.ThrowIfNull(name);
        if (content.Length == 0)
            return new("", "The file is empty.");
        if (content.Length > MaxBytes)
            return new(
                "",
                $"A file has up to {MaxBytes / 1024 / 1024} MB; this one has {content.Length / 1024m / 1024m:0.0}."
            );
        var extension = Path.GetExtension(name).ToLowerInvariant();
        var known = Array.Find(Known, k => k.Extension == extension);
        if (known.Extension is null)
            return new("", $"{Kept}; this is ‘{(extension.Length == 0 ? name : extension)}’.");
        if (!content.StartsWith(known.Start))
            return new("", $"The content is not what the ending {extension} says.");
        // A text that holds a zero byte is no text.
        return known.Start.Length == 0 && content.Contains((byte)0)
            ? new("", $"The content is not what the ending {extension} says.")
            : new(known.MediaType, null);
    }

    /// <summary>The name without folders and without characters that file systems take for something else.</summary>
    public static string FileName(string given)
    {
        ArgumentNullException.ThrowIfNull(given);
        var name = given[(given.LastIndexOfAny(['/', '\\']) + 1)..];
        var plain = new string([
            .. name.Select(c => char.IsControl(c) || c is '"' or '<' or '>' or '|' or ':' or '*' or '?' ? '_' : c),
        ]).Trim(' ', '.');
        return plain.Length == 0 ? "file"
            : plain.Length <= 120 ? plain
            : plain[..100] + Path.GetExtension(plain);
    }
}
