using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A movement of a statement, by value; one of debit and credit is zero.</summary>
internal sealed record AccountStatementLineView(
    DateOnly Date,
    string Document,
    StatementLineKind Kind,
    Money Debit,
    Money Credit,
    Money Balance
);
