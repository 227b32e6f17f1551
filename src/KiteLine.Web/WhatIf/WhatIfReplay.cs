using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Replays accounts as a what-if asks.</summary>
internal sealed class WhatIfReplay(WhatIfDefinition definition, Desk desk)
{
    // So many accounts are read from one state of the books; between them nobody waits for it.
    private const int Together = 500;

    private readonly BookSnapshot _book = desk.Snapshots.Current;
    private readonly ReplayReader _reader = desk.Books.Read(c => new ReplayReader(
        c,
        desk.Items,
        desk.Versions,
        definition.Period()
    ));

    /// <summary>What a what-if replaces, with its policies as they are kept.</summary>
    internal static WhatIfChange Change(WhatIfDefinition definition, SqliteConnection connection, Desk desk) =>
        new()
        {
            Terms = definition.Terms is { } terms ? desk.Versions.Terms(connection, terms.Id) : null,
            LateCharges = definition.LateCharges is { } policy ? desk.Versions.LateCharge(connection, policy.Id) : null,
            Reminders = definition.Reminders is { } plan ? desk.Versions.Plan(connection, plan.Id) : null,
            LimitFactor = definition.LimitPercent / 100,
            Responses = definition.Responses,
            MovesFrom = definition.MovesFrom / 100,
            CostOfCapital = definition.CostOfCapital / 100,
        };

    /// <summary>All accounts that it asks for.</summary>
    /// <param name="done">Is told how many of how many accounts are replayed.</param>
    internal WhatIfResult All(Action<int, int> done, CancellationToken stop)
    {
        var fields = new Fields();
        var accounts = InsightScope.Read(definition.Within, null, definition.To, _book, fields).Accounts;
        fields.ThrowIfAny();
        var (sum, count) = (new ReplaySum(_book.Rates, definition.To), 0);
        var one = new Lock();
        try
        {
            Parallel.ForEach(
                accounts.Chunk(Together),
                new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount, CancellationToken = stop },
                some =>
                {
                    var replays = Replayed(some);
                    lock (one)
                    {
                        foreach (var replay in replays)
                            sum.Add(replay);
                        done(count += some.Length, accounts.Length);
                    }
                }
            );
        }
        catch (AggregateException e) when (e.InnerExceptions.Count > 0)
        {
            throw e.InnerExceptions[0];
        }

        return WhatIfResult.Of(sum, _book.Rates.Base);
    }

    /// <summary>One account.</summary>
    internal AccountReplay One(BookAccount account) => Replayed([account])[0];

    private IReadOnlyList<AccountReplay> Replayed(IReadOnlyList<BookAccount> accounts) =>
        desk.Books.Read(connection =>
        {
            var today = desk.Today();
            var rules = new ReplayRules(Rules.Of(connection, today), _book.PositionRules(today));
            var (change, period) = (Change(definition, connection, desk), definition.Period());
            return (IReadOnlyList<AccountReplay>)
                [.. _reader.Of(connection, accounts).Select(f => AccountReplay.Of(f, change, period, rules))];
        });
}
