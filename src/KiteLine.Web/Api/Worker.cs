using System.Threading.Channels;
using KiteLine.Store;
using Microsoft.Data.Sqlite;
using Serilog;

namespace KiteLine.Web;

/// <summary>
/// Work that goes on behind whatever is asked. It wakes when something was committed, and after a while by itself; calls
/// that come meanwhile are gathered. Whatever goes wrong with it, it is tried again after a pause that grows, readiness
/// says so, and the program goes on.
/// </summary>
internal abstract class Worker(Books books) : BackgroundService
{
    private static readonly TimeSpan ShortestPause = TimeSpan.FromSeconds(1);
    private static readonly TimeSpan LongestPause = TimeSpan.FromMinutes(1);

    // Books that another program holds for a moment are no trouble yet.
    private const int Troubled = 3;

    // What the database refuses is refused the next time too.
    private const int Constraint = 19;

    // Holds one call at most: work that waits is done whole, however often it was called for.
    private readonly Channel<bool> _calls = Channel.CreateBounded<bool>(
        new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite }
    );

    private volatile int _failures;
    private volatile string _last = "";

    /// <summary>What it does, as the subject of a sentence: "The sending of messages".</summary>
    protected abstract string Subject { get; }

    /// <summary>How long calls are gathered before they are worked through together.</summary>
    protected virtual TimeSpan Gathering => TimeSpan.Zero;

    /// <summary>After how long it looks by itself; never where it waits for calls alone.</summary>
    protected virtual TimeSpan Look => Timeout.InfiniteTimeSpan;

    /// <summary>What keeps it from its work since several tries; null where nothing does.</summary>
    internal string? Trouble => _failures >= Troubled ? $"{Subject:l} waits: {_last}" : null;

    /// <summary>Whether a commit is a call.</summary>
    protected virtual bool Wakes(Tx tx) => true;

    /// <summary>What is done once, before any work.</summary>
    protected virtual void Begin() { }

    /// <summary>Does all that there is to do.</summary>
    protected abstract void Work(CancellationToken stop);

    /// <summary>
    /// Whether a failure may be over another time: the books are held by somebody else, or the disk is full. Else the piece
    /// of work at which it came will fail again.
    /// </summary>
    protected static bool MayPass(Exception e) =>
        e is SqliteException { SqliteErrorCode: not Constraint } or IOException or ObjectDisposedException;

    /// <summary>How long it waits after so many failures in a row.</summary>
    internal static TimeSpan PauseAfter(int failures)
    {
        var doubled = ShortestPause * Math.Pow(2, Math.Min(failures, 10) - 1);
        return failures <= 0 ? TimeSpan.Zero
            : doubled < LongestPause ? doubled
            : LongestPause;
    }

    protected sealed override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        books.Committed += Call;
        try
        {
            _calls.Writer.TryWrite(true);
            for (var begun = false; ; )
            {
                await Called(stoppingToken);
                await Task.Delay(Gathering, stoppingToken);
                try
                {
                    await Task.Run(
                        () =>
                        {
                            if (!begun)
                                Begin();
                            begun = true;
                            Work(stoppingToken);
                        },
                        stoppingToken
                    );
                    _failures = 0;
                }
                catch (Exception e) when (!stoppingToken.IsCancellationRequested)
                {
                    _last = e.Message;
                    _failures++;
                    if (MayPass(e))
                        Log.Warning(e, "{Subject:l} waits", Subject);
                    else
                        Log.Error(e, "{Subject:l} failed and is tried again", Subject);
                    _calls.Writer.TryWrite(true);
                    await Task.Delay(PauseAfter(_failures), stoppingToken);
                }
            }
        }
        catch (Exception e) when (stoppingToken.IsCancellationRequested)
        {
            // The server stops; what is left waits in the books.
            if (e is not OperationCanceledException)
                Log.Debug(e, "{Subject:l} ended", Subject);
        }
        finally
        {
            books.Committed -= Call;
        }
    }

    private async Task Called(CancellationToken stop)
    {
        using var look = CancellationTokenSource.CreateLinkedTokenSource(stop);
        look.CancelAfter(Look);
        try
        {
            await _calls.Reader.ReadAsync(look.Token);
        }
        catch (OperationCanceledException) when (!stop.IsCancellationRequested)
        {
            // Nobody called; something may be due all the same.
        }
    }

    private void Call(Tx tx)
    {
        if (Wakes(tx))
            _calls.Writer.TryWrite(true);
    }
}
