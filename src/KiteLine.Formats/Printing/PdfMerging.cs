using UglyToad.PdfPig.Writer;

namespace KiteLine.Formats;

/// <summary>Puts PDF files together.</summary>
public static class PdfMerging
{
    /// <summary>All pages of all files, in their order.</summary>
    public static byte[] Of(IReadOnlyList<byte[]> files)
    {
        ArgumentNullException.ThrowIfNull(files);
        return files.Count == 1 ? files[0] : PdfMerger.Merge(files);
    }
}
