using System.Xml;
using System.Xml.Linq;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Reads XML that somebody else wrote.</summary>
internal static class XmlFile
{
    // Whoever reads it has looked at how many bytes there are.
    private static readonly XmlReaderSettings Settings = Guarded(Bounds.StatementFile);

    /// <summary>
    /// How XML of others is read: nothing outside of it is ever read for it, and no names are made up in it.
    /// </summary>
    /// <param name="most">Characters; 0 where its size was looked at already.</param>
    internal static XmlReaderSettings Guarded(long most) =>
        new()
        {
            DtdProcessing = DtdProcessing.Prohibit,
            XmlResolver = null,
            MaxCharactersInDocument = most,
        };

    /// <summary>The outermost element.</summary>
    /// <exception cref="RefusedException">It is no XML, has a document type, or goes deeper than
    /// <see cref="Bounds.XmlDepth"/>; names the field <c>file</c>.</exception>
    internal static XElement Read(byte[] content)
    {
        try
        {
            Measure(content);
            using var reader = XmlReader.Create(new MemoryStream(content), Settings);
            return XDocument.Load(reader).Root!;
        }
        catch (Exception e) when (e is XmlException or ArgumentException or InvalidOperationException)
        {
            // The reader's own words about it speak to a programmer.
            throw new RefusedException(
                "file",
                e.Message.Contains("DTD", StringComparison.Ordinal)
                    ? "The file has a DOCTYPE, which can draw in other files; send it without one."
                    : $"This is no XML that can be read: {e.Message}"
            );
        }
    }

    // Before anything is built: what goes very deep takes time with the square of its depth.
    private static void Measure(byte[] content)
    {
        using var reader = XmlReader.Create(new MemoryStream(content), Settings);
        while (reader.Read())
            if (reader.NodeType == XmlNodeType.Element && reader.Depth >= Bounds.XmlDepth)
                throw new RefusedException(
                    "file",
                    $"Elements of the file stand within each other more than {Bounds.XmlDepth} deep."
                );
    }
}
