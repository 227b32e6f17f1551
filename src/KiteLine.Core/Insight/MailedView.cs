namespace KiteLine.Core;

/// <summary>A view that goes out by e-mail by itself, of the day on which it goes.</summary>
/// <param name="Query">How it is asked for, such as <c>by=owner</c>; days in it are left out. A view of one account, group
/// or what-if names it by <c>of</c>.</param>
/// <param name="Format">pdf or xlsx.</param>
/// <param name="Recipients">Addresses, separated by semicolons.</param>
public sealed record MailedView(
    string Name,
    MailedReport Report,
    string Query,
    string Format,
    string Recipients,
    RunTiming Timing
)
{
    /// <summary>The longest name.</summary>
    public const int LongestName = 100;

    /// <summary>The longest query.</summary>
    public const int LongestQuery = 1000;

    private static readonly string[] Days = ["asOf", "since", "from", "to"];

    /// <summary>What is wrong, as field and sentence; empty when it can be kept.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        if (Name.Trim().Length is 0 or > LongestName)
            yield return ("name", $"Give it a name of up to {LongestName} characters.");
        if (Query.Length > LongestQuery)
            yield return ("query", $"A view has at most {LongestQuery} characters.");
        if (Format is not ("pdf" or "xlsx"))
            yield return ("format", "Choose pdf or xlsx.");
        else if (Report == MailedReport.Overview && Format != "pdf")
            yield return ("format", "The overview of an account is one page to print; choose pdf.");
        if (OfWhat is { } what && Of.Length == 0)
            yield return ("query", $"Name the {what}, as in of=….");
        if (Recipients.Trim().Length == 0 || !EmailAddresses.AreSound(Recipients))
            yield return ("recipients", EmailAddresses.Wanted);
        foreach (var problem in Timing.Problems())
            yield return problem;
    }

    /// <summary>What it is a view of, where that is one of many; else null.</summary>
    public string? OfWhat =>
        Report switch
        {
            MailedReport.Overview or MailedReport.Statement => "account",
            MailedReport.GroupStatement => "group",
            MailedReport.WhatIf => "what-if",
            _ => null,
        };

    /// <summary>The account, group or what-if that it is of; empty where none is named.</summary>
    public string Of => OfIn(Query);

    /// <summary>The account, group or what-if that a query names; empty where it names none.</summary>
    public static string OfIn(string query)
    {
        ArgumentNullException.ThrowIfNull(query);
        return query
            .Split('&')
            .Where(part => part.StartsWith("of=", StringComparison.OrdinalIgnoreCase))
            .Select(part => Uri.UnescapeDataString(part[3..].Replace('+', ' ')))
            .FirstOrDefault("");
    }

    /// <summary>The query without days: the view is of the day on which it goes.</summary>
    public static string WithoutDays(string query)
    {
        ArgumentNullException.ThrowIfNull(query);
        return string.Join(
            '&',
            query
                .TrimStart('?')
                .Split('&', StringSplitOptions.RemoveEmptyEntries)
                .Where(part => !Days.Contains(part.Split('=')[0], StringComparer.OrdinalIgnoreCase))
                .Where(part => !part.StartsWith("format=", StringComparison.OrdinalIgnoreCase))
        );
    }
}
