using System.Security.Cryptography;
using System.Text;

namespace KiteLine.Store;

/// <summary>One row of the audit log.</summary>
public sealed record AuditRow
{
    public long Id { get; init; }

    public string At { get; init; } = "";

    public string Who { get; init; } = "";

    public string Subject { get; init; } = "";

    public string Action { get; init; } = "";

    public string Detail { get; init; } = "";

    public string Reason { get; init; } = "";

    public string PriorHash { get; init; } = "";

    public string Hash { get; init; } = "";

    /// <summary>The hash that the row must carry: SHA-256 over the hash before it and its own fields.</summary>
    public string ComputeHash()
    {
        var fields = string.Join('\u001f', PriorHash, At, Who, Subject, Action, Detail, Reason);
        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(fields)));
    }
}
