namespace KiteLine.Web;

/// <summary>A statement of a file that was sent: stored, or refused with what is wrong.</summary>
/// <param name="StatementId">By which it is found; null where it is refused or only shown.</param>
/// <param name="Lines">How many entries it has.</param>
/// <param name="Certain">How many of them could be posted without being looked at.</param>
internal sealed record TakenStatementView(
    string Account,
    string Statement,
    string Currency,
    string? Opening,
    string? Closing,
    int Lines,
    int Certain,
    long? StatementId,
    IReadOnlyList<string> Problems
);
