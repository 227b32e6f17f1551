using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Turns refusals into RFC 9457 problem details that name each field and what it should be.</summary>
internal sealed partial class Problems(ILogger<Problems> log) : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(
        HttpContext context,
        Exception exception,
        CancellationToken cancellationToken
    )
    {
        var problem = Of(exception);
        // What the disk does not let be done is for the operator, who has no use for where in the program it was noticed.
        if (exception is SqliteException trouble && DatabaseTrouble.Status(trouble) != 500)
            log.LogError("{Trouble}", DatabaseTrouble.Words(trouble));
        else if (problem.Status >= 500)
            log.LogError(exception, "A request failed");
        context.Response.StatusCode = problem.Status!.Value;
        await context.Response.WriteAsJsonAsync(
            problem,
            options: null,
            contentType: "application/problem+json",
            cancellationToken
        );
        return true;
    }

    /// <summary>Says in words what the framework answers by itself with a number alone.</summary>
    internal static void Told(ProblemDetailsContext context)
    {
        if (context.ProblemDetails is { Status: TooLarge, Detail: null })
            (context.ProblemDetails.Title, context.ProblemDetails.Detail) = (Large().Title, Large().Detail);
    }

    private const int TooLarge = StatusCodes.Status413PayloadTooLarge;

    private static ProblemDetails Large() =>
        new()
        {
            Status = TooLarge,
            Title = "The request is too large",
            Detail = $"A request that is no file has up to {Bounds.Request / 1024 / 1024} MB.",
        };

    private static ProblemDetails Of(Exception exception) =>
        exception switch
        {
            RefusedException e => Fields(e.Problems),
            ShorthandException e => Shorthand(e),
            TermsException e => Fields([new(e.Field, e.Message)]),
            NotThereException e => new()
            {
                Status = 404,
                Title = "Not found",
                Detail = e.Message,
            },
            ChangedMeanwhileException e => new()
            {
                Status = 412,
                Title = "Changed by somebody else",
                Detail = e.Message,
            },
            BadHttpRequestException { StatusCode: TooLarge } => Large(),
            BadHttpRequestException { InnerException: JsonException json } => Fields([
                new(JsonPath(json), "The request is not the JSON that is wanted here; see /docs for its shape."),
            ]),
            BadHttpRequestException e when Unbound().Match(e.Message) is { Success: true } m => Fields([
                new(
                    JsonNamingPolicy.CamelCase.ConvertName(m.Groups["name"].Value),
                    $"{JsonNamingPolicy.CamelCase.ConvertName(m.Groups["name"].Value)} is "
                        + $"‘{m.Groups["value"].Value}’; give "
                        + (
                            m.Groups["type"].Value.Contains("bool", StringComparison.OrdinalIgnoreCase)
                                ? "true or false."
                                : "a whole number."
                        )
                ),
            ]),
            BadHttpRequestException e when Missing().Match(e.Message) is { Success: true } m => Fields([
                new(JsonNamingPolicy.CamelCase.ConvertName(m.Groups["name"].Value), "This is needed in the query."),
            ]),
            BadHttpRequestException e when e.Message.StartsWith("Implicit body", StringComparison.Ordinal) => Fields([
                new("body", "Send the request as JSON; see /docs for its shape."),
            ]),
            BadHttpRequestException e => new()
            {
                Status = e.StatusCode,
                Title = "The request cannot be read",
                Detail = e.Message,
            },
            // JSON is read piece by piece, and a piece that is no text only when it is asked for.
            InvalidOperationException { InnerException: DecoderFallbackException } => Fields([
                new("body", "The request is not UTF-8; send it as UTF-8."),
            ]),
            // What the books themselves refuse, such as a text that came in by no request.
            SqliteException { SqliteExtendedErrorCode: ConstraintOfTrigger } e => Fields([new("body", e.Message)]),
            SqliteException e => new()
            {
                Status = DatabaseTrouble.Status(e),
                Title = "The books could not be written or read",
                Detail = DatabaseTrouble.Words(e),
            },
            // Amounts are bounded where they come in; what they are multiplied to may still be more than can be held.
            OverflowException => Fields([
                new(
                    "amount",
                    "A figure that follows from these amounts is larger than any that is kept; give smaller ones."
                ),
            ]),
            _ => new()
            {
                Status = 500,
                Title = "Something went wrong",
                Detail = "Nothing was stored. Try again; if it happens again, tell whoever looks after the program.",
            },
        };

    private static ProblemDetails Fields(IReadOnlyList<FieldProblem> problems)
    {
        var told = problems.Take(Bounds.ProblemsTold).ToArray();
        var more = problems.Count - told.Length;
        var details = new ProblemDetails
        {
            Status = 400,
            Title = "The input needs correction",
            Detail =
                string.Join(" ", told.Select(p => p.Message))
                + (more > 0 ? $" There are {more:N0} problems more; correct these first." : ""),
        };
        details.Extensions["errors"] = told.GroupBy(p => p.Field)
            .ToDictionary(g => g.Key, g => g.Select(p => p.Message).ToArray());
        return details;
    }

    private static ProblemDetails Shorthand(ShorthandException e)
    {
        var details = Fields([new("text", e.Message)]);
        details.Extensions["position"] = e.Position;
        details.Extensions["expected"] = e.Expected;
        return details;
    }

    // The framework says which parameter it could not read only in words.
    [GeneratedRegex(
        """^Failed to bind parameter "(?<type>\S+) (?<name>\w+)" from "(?<value>.*)"\.$""",
        RegexOptions.Singleline
    )]
    private static partial Regex Unbound();

    [GeneratedRegex("""^Required parameter "\S+ (?<name>\w+)" was not provided from query string\.$""")]
    private static partial Regex Missing();

    // SQLITE_CONSTRAINT_TRIGGER.
    private const int ConstraintOfTrigger = 1811;

    private static string JsonPath(JsonException e) => e.Path is { Length: > 2 } path ? path[2..] : "body";
}
