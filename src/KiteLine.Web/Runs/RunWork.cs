using System.Threading.Channels;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;
using Serilog;

namespace KiteLine.Web;

/// <summary>
/// Carries out runs behind whatever is asked: what was begun before a stop or a kill goes on with the next start.
/// </summary>
internal sealed class RunWork(Desk desk) : BackgroundService
{
    // Work of the command line in the same books is looked for as often, without a call.
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(20);

    // What the database refuses is refused the next time too; what it could not do for now is done later.
    private const int Constraint = 19;

    private readonly Channel<bool> _calls = Channel.CreateBounded<bool>(
        new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite }
    );

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        desk.Books.Committed += Call;
        try
        {
            await Task.Run(AfterStart, stoppingToken);
            _calls.Writer.TryWrite(true);
            while (!stoppingToken.IsCancellationRequested)
            {
                using var look = CancellationTokenSource.CreateLinkedTokenSource(stoppingToken);
                look.CancelAfter(Look);
                try
                {
                    await _calls.Reader.ReadAsync(look.Token);
                }
                catch (OperationCanceledException) when (!stoppingToken.IsCancellationRequested)
                {
                    // Nobody called; something may be at work all the same.
                }

                await Task.Run(() => Work(stoppingToken), stoppingToken);
            }
        }
        catch (OperationCanceledException)
        {
            // The server stops; what is left goes on with the next start.
        }
        finally
        {
            desk.Books.Committed -= Call;
        }
    }

    private void AfterStart()
    {
        try
        {
            RunDesk.AfterStart(desk.Books);
        }
        catch (Exception e) when (e is SqliteException or ObjectDisposedException)
        {
            Log.Warning(e, "Looking through the runs after the start waits");
        }
    }

    private void Work(CancellationToken stop)
    {
        try
        {
            Schedule();
            while (!stop.IsCancellationRequested && desk.Books.Read(RunPosting.AtWork) is { } id)
                Work(id, stop);
        }
        catch (ObjectDisposedException)
        {
            // The books were closed beneath it; what is left goes on with the next start.
        }
        catch (Exception e) when (e is SqliteException or IOException)
        {
            Log.Warning(e, "Runs wait");
        }
    }

    private void Schedule()
    {
        try
        {
            foreach (var run in desk.Scheduling.Look())
                Log.Information("Run {Run} was proposed by its schedule", run);
        }
        catch (RefusedException e)
        {
            Log.Warning(e, "A run could not be proposed by its schedule");
        }
    }

    private void Work(long id, CancellationToken stop)
    {
        try
        {
            while (!stop.IsCancellationRequested && desk.RunPosting.Next(id)) { }
        }
        catch (Exception e)
            when (e is SqliteException { SqliteErrorCode: Constraint }
                || e is not (OutOfMemoryException or SqliteException or IOException or ObjectDisposedException)
            )
        {
            // Whatever was wrong, the run waits for a person, and the others go on.
            Log.Error(e, "Run {Id} was stopped", id);
            var why = e is RefusedException ? e.Message : "Something in the program failed; its log says what.";
            desk.Books.Write(Actor.Program("runs"), tx => RunDesk.Stop(tx, id, why));
        }
    }

    // Most commits begin no run: only steps of runs, schedules and the business date do.
    private void Call(Tx tx)
    {
        if (tx.TouchedRuns || tx.TouchedCompany)
            _calls.Writer.TryWrite(true);
    }
}
