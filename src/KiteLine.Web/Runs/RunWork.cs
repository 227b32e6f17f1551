using KiteLine.Core;
using KiteLine.Store;
using Serilog;

namespace KiteLine.Web;

/// <summary>
/// Carries out runs behind whatever is asked: what was begun before a stop or a kill goes on with the next start.
/// </summary>
internal sealed class RunWork(Desk desk) : Worker(desk.Books)
{
    protected override string Subject => "The posting of runs";

    // Work of the command line in the same books is looked for as often, without a call.
    protected override TimeSpan Look => TimeSpan.FromSeconds(20);

    // Most commits begin no run: only steps of runs, schedules and the business date do.
    protected override bool Wakes(Tx tx) => tx.TouchedRuns || tx.TouchedCompany;

    protected override void Begin() => RunDesk.AfterStart(desk.Books);

    protected override void Work(CancellationToken stop)
    {
        foreach (var run in desk.Scheduling.Look())
            Log.Information("Run {Run} was proposed by its schedule", run);
        while (!stop.IsCancellationRequested && desk.Books.Read(RunPosting.AtWork) is { } id)
            Work(id, stop);
    }

    private void Work(long id, CancellationToken stop)
    {
        try
        {
            while (!stop.IsCancellationRequested && desk.RunPosting.Next(id)) { }
        }
        catch (Exception e) when (!MayPass(e))
        {
            // Whatever was wrong, the run waits for a person, and the others go on.
            Log.Error(e, "Run {Id} was stopped", id);
            var why = e is RefusedException ? e.Message : "Something in the program failed; its log says what.";
            desk.Books.Write(Actor.Program("runs"), tx => RunDesk.Stop(tx, id, why));
        }
    }
}
