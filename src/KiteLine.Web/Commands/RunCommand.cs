using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>
/// A run for a scheduler: proposed and printed, and with --post carried out from end to end. Progress goes to standard error,
/// one object to standard output.
/// </summary>
internal sealed class RunCommand(TextWriter progress, TextWriter answer, Desk desk)
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    // So often somebody who watches is told.
    private static readonly TimeSpan Told = TimeSpan.FromSeconds(2);

    /// <summary>0: all posted, or proposed; 1: some account could not be posted.</summary>
    /// <param name="day">The day of the run; the business date where it is left out.</param>
    /// <param name="on">The business date to propose for where nothing is posted.</param>
    /// <exception cref="RefusedException">The day cannot be read, or is to come.</exception>
    /// <exception cref="NotThereException">An account is not there.</exception>
    internal int Run(RunKind kind, string? day, string? on, string? only, bool post, bool send)
    {
        var today = Fields.Day("business-date", on, desk.Today());
        var date = Fields.Day(kind == RunKind.LateCharges ? "through" : "date", day, today);
        var codes = (only ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        var scope = RunScope.Of(codes, null, desk);
        if (!post)
        {
            Propose(kind, date, today, scope);
            return 0;
        }

        var id = desk.Runs.Propose(desk.Books, Actor.Program("command line"), kind, date, scope.Words, scope.Find);
        if (desk.Books.Read(c => RunStore.Progress(c, id)).GetValueOrDefault(RunLineState.Ready) > 0)
        {
            desk.Books.Write("command line", tx => RunDesk.Start(tx, id, send));
            Carry(id);
        }

        return Tell(kind, id);
    }

    private void Carry(long id)
    {
        var told = DateTimeOffset.UtcNow;
        while (desk.RunPosting.Next(id))
        {
            if (DateTimeOffset.UtcNow - told < Told)
                continue;
            told = DateTimeOffset.UtcNow;
            var counts = desk.Books.Read(c => RunStore.Progress(c, id));
            var all = counts.Where(c => c.Key != RunLineState.LeftOut).Sum(c => c.Value);
            progress.WriteLine($"{counts.GetValueOrDefault(RunLineState.Posted):N0} of {all:N0} accounts posted");
        }
    }

    private void Propose(RunKind kind, DateOnly date, DateOnly today, RunScope scope)
    {
        var lines = desk.Books.Read(c =>
        {
            var proposed = desk
                .Proposals.Of(c, kind, date, scope.Find(c), Rules.Of(c, today), Worked)
                .SelectMany(some => some)
                .ToList();
            progress.WriteLine($"{proposed.Count:N0} accounts");
            return proposed;
        });
        Write(kind, null, lines);
    }

    private static StoredRunLine Worked(BookAccount account, RunLine line) =>
        new(
            account.Id,
            account.Code,
            account.Name,
            line.LeftOut is null ? RunLineState.Ready : RunLineState.LeftOut,
            line,
            line.LeftOut ?? "",
            null,
            null,
            null
        );

    private int Tell(RunKind kind, long id)
    {
        var states = Enum.GetValues<RunLineState>();
        var lines = desk.Books.Read(c => RunStore.Page(c, id, states, 0, int.MaxValue));
        Write(kind, id, lines);
        var failed = lines.Count(l => l.State is RunLineState.Failed or RunLineState.Changed);
        progress.WriteLine(
            $"{lines.Count(l => l.State == RunLineState.Posted):N0} accounts posted, {failed:N0} could not be."
        );
        return failed == 0 ? 0 : 1;
    }

    private void Write(RunKind kind, long? id, IReadOnlyList<StoredRunLine> lines)
    {
        var items = desk.Books.Read(c => RunEndpoints.ItemsOf(c, lines));
        var going = lines.Where(l => l.State != RunLineState.LeftOut).ToList();
        answer.WriteLine(
            JsonSerializer.Serialize(
                new
                {
                    run = id,
                    lines = going.SelectMany(l => Shown(kind, l, items)),
                    leftOut = lines
                        .SelectMany(l => RunLeftOutView.Of(l, items))
                        .Select(l => new
                        {
                            account = l.Account,
                            document = l.Document,
                            reason = l.Reason,
                            amount = $"{l.Amount}",
                        }),
                    total = going
                        .GroupBy(l => l.Line.Amount.Currency.Code)
                        .ToDictionary(g => g.Key, g => $"{g.Select(l => l.Line.Amount).Aggregate((a, b) => a + b)}"),
                },
                Options
            )
        );
    }

    private static IEnumerable<object> Shown(
        RunKind kind,
        StoredRunLine line,
        IReadOnlyDictionary<long, (string Document, DateOnly Due)> items
    ) =>
        RunLineView
            .Of(kind, line, items)
            .Select(l =>
                kind == RunKind.LateCharges
                    ? (object)
                        new
                        {
                            account = l.Account,
                            document = l.Document,
                            amount = $"{l.Amount}",
                            posted = line.Document,
                            problem = Problem(line),
                        }
                    : new
                    {
                        account = l.Account,
                        document = l.Document,
                        amount = $"{l.Amount}",
                        level = l.Level,
                        fee = $"{l.Fee}",
                        interest = $"{l.Interest}",
                        posted = line.Document,
                        problem = Problem(line),
                    }
            );

    private static string? Problem(StoredRunLine line) =>
        line.State is RunLineState.Failed or RunLineState.Changed ? line.Reason : null;
}
