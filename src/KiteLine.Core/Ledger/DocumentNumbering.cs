namespace KiteLine.Core;

/// <summary>How the numbers of a series are written: the prefix and the number with leading zeros.</summary>
public sealed record DocumentNumbering(string Prefix, int Digits = 5)
{
    /// <summary>What companies start with.</summary>
    public static IReadOnlyDictionary<DocumentSeries, DocumentNumbering> Usual { get; } =
        new Dictionary<DocumentSeries, DocumentNumbering>
        {
            [DocumentSeries.Invoice] = new("INV-"),
            [DocumentSeries.CreditNote] = new("CRN-"),
            [DocumentSeries.Receipt] = new("RCT-"),
            [DocumentSeries.LateCharge] = new("LCH-"),
            [DocumentSeries.ReminderFee] = new("FEE-"),
            [DocumentSeries.Reminder] = new("REM-"),
            [DocumentSeries.Refund] = new("RFD-"),
            [DocumentSeries.BankingSlip] = new("SLP-"),
            [DocumentSeries.BankFee] = new("BKF-"),
        };

    /// <summary>A number of the series as it stands on the document.</summary>
    public string Write(long number) =>
        Prefix
        + number.ToString(
            "D" + Digits.ToString(System.Globalization.CultureInfo.InvariantCulture),
            System.Globalization.CultureInfo.InvariantCulture
        );

    /// <summary>The series that items of a kind are numbered in.</summary>
    public static DocumentSeries Of(ItemKind kind) =>
        kind switch
        {
            ItemKind.Invoice => DocumentSeries.Invoice,
            ItemKind.CreditNote => DocumentSeries.CreditNote,
            ItemKind.Receipt => DocumentSeries.Receipt,
            ItemKind.LateCharge => DocumentSeries.LateCharge,
            ItemKind.ReminderFee => DocumentSeries.ReminderFee,
            ItemKind.Refund => DocumentSeries.Refund,
            ItemKind.BankFee => DocumentSeries.BankFee,
            _ => throw new ArgumentOutOfRangeException(nameof(kind)),
        };
}
