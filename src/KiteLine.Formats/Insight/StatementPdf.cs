using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Prints statements of account as PDF on A4.</summary>
public static class StatementPdf
{
    /// <summary>The statement; lines that do not fit on a page go on on the next, under the same heading.</summary>
    public static byte[] Render(PrintedStatement statement)
    {
        ArgumentNullException.ThrowIfNull(statement);
        return Pdf.Of(
            $"Statement {statement.Number}",
            statement.From.Name,
            sheet => new StatementPage(sheet, statement).Print()
        );
    }
}
