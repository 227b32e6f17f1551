using System.Security.Cryptography;
using System.Text;

namespace KiteLine.Store;

/// <summary>One row of the audit log.</summary>
public sealed record AuditRow
{
    /// <summary>In the order of the changes, without gaps.</summary>
    public long Id { get; init; }

    /// <summary>UTC, ISO 8601.</summary>
    public string At { get; init; } = "";

    /// <summary>The full name of a user, or the name of a key or command.</summary>
    public string Who { get; init; } = "";

    /// <summary>What was changed, such as <c>account:HAR01</c>.</summary>
    public string Subject { get; init; } = "";

    /// <summary>What was done, in one or two words.</summary>
    public string Action { get; init; } = "";

    /// <summary>What it was and is, as JSON.</summary>
    public string Detail { get; init; } = "";

    /// <summary>Why; empty where none is asked for.</summary>
    public string Reason { get; init; } = "";

    /// <summary>The hash of the row before; empty for the first.</summary>
    public string PriorHash { get; init; } = "";

    /// <summary>SHA-256 of this row and <see cref="PriorHash"/>, as hexadecimal digits.</summary>
    public string Hash { get; init; } = "";

    /// <summary>The hash that the row must carry: SHA-256 over the hash before it and its own fields.</summary>
    public string ComputeHash()
    {
        var fields = string.Join('\u001f', PriorHash, At, Who, Subject, Action, Detail, Reason);
        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(fields)));
    }
}
