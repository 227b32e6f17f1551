using KiteLine.Core;
using KiteLine.Demo;

namespace KiteLine.Web;

/// <summary>Binds the simulated services that ship with the program; a real one takes its place here.</summary>
internal static class StandIns
{
    internal static void Add(IServiceCollection services) =>
        services
            .AddSingleton<ICreditAgency, SimulatedCreditAgency>()
            .AddSingleton<IRateFeed, SimulatedRateFeed>()
            .AddSingleton<IBank>(s => new SimulatedBank(s.GetRequiredService<Desk>().Books))
            .AddSingleton<IMailServer>(s =>
                s.GetRequiredService<Desk>() is { IsDemo: true } desk
                    ? new SimulatedMailServer(Path.Combine(Path.GetDirectoryName(desk.Books.Path)!, "mail"))
                    : new NoMailServer()
            );
}
