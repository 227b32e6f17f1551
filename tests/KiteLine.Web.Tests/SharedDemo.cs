using KiteLine.Web.Tests;
using Xunit;

[assembly: AssemblyFixture(typeof(SharedDemo))]

namespace KiteLine.Web.Tests;

/// <summary>
/// The demo takes its time to be made; every test that only reads it shares one. It is made while others run.
/// </summary>
public sealed class SharedDemo : IDisposable
{
    private readonly Task<DemoApp> _making = Task.Run(() => new DemoApp());

    internal DemoApp App => _making.GetAwaiter().GetResult();

    public void Dispose() => App.Dispose();
}
