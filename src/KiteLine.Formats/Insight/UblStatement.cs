using System.Xml.Linq;
using KiteLine.Core;
using static KiteLine.Formats.Ubl;
using static KiteLine.Formats.UblParts;

namespace KiteLine.Formats;

/// <summary>
/// Writes a statement of account as a UBL 2.1 Statement (OASIS Standard of 4 November 2013): the balance brought forward in
/// its first line, then a line for each movement. That of a group has these of each account, which each line names.
/// </summary>
public static class UblStatement
{
    /// <summary>The statement of an account as XML in UTF-8.</summary>
    public static byte[] Write(PrintedStatement printed)
    {
        ArgumentNullException.ThrowIfNull(printed);
        var s = printed.Statement;
        return Bytes(
            Document(
                printed,
                printed.Number,
                (s.Debits, s.Credits, s.Closing),
                Customer(printed.To),
                s.Due.IsZero ? null : Payment(printed.PaymentReference),
                [.. Lines(printed, 1, null)]
            )
        );
    }

    /// <summary>
    /// The statement of those accounts of a group that are in one currency. The reference to pay an account with stands in
    /// the line of its balance brought forward.
    /// </summary>
    /// <param name="group">Its name.</param>
    /// <param name="number">By which the statement is known.</param>
    /// <param name="accounts">Their statements over the same period, at least one.</param>
    /// <exception cref="ArgumentException">There is none, or they are in several currencies.</exception>
    public static byte[] Write(string group, string number, IReadOnlyList<PrintedStatement> accounts)
    {
        ArgumentNullException.ThrowIfNull(accounts);
        if (accounts.Select(a => a.Currency).Distinct().Count() != 1)
            throw new ArgumentException("A statement has one currency.", nameof(accounts));
        var lines = new List<XElement>();
        foreach (var account in accounts)
            lines.AddRange(Lines(account, lines.Count + 1, Customer(account.To)));
        Money Sum(Func<AccountStatement, Money> of) => accounts.Select(a => of(a.Statement)).Aggregate((a, b) => a + b);
        return Bytes(
            Document(
                accounts[0],
                number,
                (Sum(s => s.Debits), Sum(s => s.Credits), Sum(s => s.Closing)),
                Customer(new("", group, [])),
                null,
                lines
            )
        );
    }

    private static XElement Document(
        PrintedStatement of,
        string number,
        (Money Debits, Money Credits, Money Closing) total,
        XElement customer,
        XElement? payment,
        List<XElement> lines
    )
    {
        var document = Root("Statement");
        document.Add(
            Basic("UBLVersionID", "2.1"),
            Basic("ID", number),
            Basic("IssueDate", Day(of.Date)),
            Basic("DocumentCurrencyCode", of.Currency.Code),
            Amount("TotalDebitAmount", total.Debits),
            Amount("TotalCreditAmount", total.Credits),
            Amount("TotalBalanceAmount", total.Closing),
            Basic("LineCountNumeric", $"{lines.Count}"),
            new XElement(
                Cac + "StatementPeriod",
                Basic("StartDate", Day(of.Statement.From)),
                Basic("EndDate", Day(of.Statement.To))
            ),
            Supplier(of.From),
            customer,
            payment,
            lines
        );
        return document;
    }

    // The account is named where a statement has several; a balance is always that of its account.
    private static IEnumerable<XElement> Lines(PrintedStatement printed, int first, XElement? account)
    {
        var s = printed.Statement;
        yield return new XElement(
            Cac + "StatementLine",
            Basic("ID", $"{first}"),
            Basic("BalanceBroughtForwardIndicator", "true"),
            Amount("BalanceAmount", s.Opening),
            account is null || s.Due.IsZero ? null : Payment(printed.PaymentReference),
            account
        );
        foreach (var line in s.Lines)
            yield return new XElement(
                Cac + "StatementLine",
                Basic("ID", $"{++first}"),
                Basic("Note", PrintedStatement.Words(line)),
                Basic("BalanceBroughtForwardIndicator", "false"),
                line.Credit.IsZero ? Amount("DebitLineAmount", line.Debit) : Amount("CreditLineAmount", line.Credit),
                Amount("BalanceAmount", line.Balance),
                account,
                new XElement(
                    Cac + "InvoicePeriod",
                    Basic("StartDate", Day(line.Date)),
                    Basic("EndDate", Day(line.Date))
                ),
                line.Document.Length == 0
                    ? null
                    : new XElement(
                        Cac + "BillingReference",
                        new XElement(Cac + "InvoiceDocumentReference", Basic("ID", line.Document))
                    )
            );
    }
}
