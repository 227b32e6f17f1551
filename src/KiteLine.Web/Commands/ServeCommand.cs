using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Serves books until it is told to stop.</summary>
internal static class ServeCommand
{
    /// <param name="frontEnd">The folder of the built front end; web/dist where there is one otherwise.</param>
    /// <exception cref="KiteLine.Core.RefusedException">The port is none.</exception>
    /// <exception cref="IOException">Another program has the port.</exception>
    internal static async Task<int> Run(
        Books books,
        bool isDemo,
        int? port,
        string? frontEnd,
        CancellationToken stop,
        Reachable? reachable = null
    )
    {
        using var desk = new Desk(books, isDemo);
        var at =
            port
            ?? (
                int.TryParse(Environment.GetEnvironmentVariable("KITELINE_PORT"), out var fromEnvironment)
                    ? fromEnvironment
                    : 5080
            );
        if (at is < 1 or > 65_535)
            throw new KiteLine.Core.RefusedException("port", $"--port is {at}; give a number from 1 to 65535.");
        // The book is read while the server starts; whoever asks first waits for what is left of that.
        _ = Task.Run(() => desk.Boards.On(desk.Today()), stop);
        await using var app = WebApp.Build(
            desk,
            frontEnd ?? (Directory.Exists("web/dist") ? "web/dist" : null),
            reachable: reachable
        );
        app.Urls.Add($"http://127.0.0.1:{at}");
        try
        {
            await app.StartAsync(stop);
        }
        catch (IOException e) when (e.InnerException is Microsoft.AspNetCore.Connections.AddressInUseException)
        {
            throw new IOException(
                $"Port {at} is in use by another program. Choose another with --port, or stop that one.",
                e
            );
        }

        Console.WriteLine(
            $"{(isDemo ? "The demo company" : "Kite Line")} is ready at http://127.0.0.1:{at} — press Ctrl+C to stop."
        );
        if (!isDemo && books.Write("set-up", FirstCode.Renew) is { } code)
            Console.WriteLine(
                $"There is no user yet. Become the first administrator at that address with this code, which works once: {code}"
            );
        await app.WaitForShutdownAsync(stop);
        return 0;
    }
}
