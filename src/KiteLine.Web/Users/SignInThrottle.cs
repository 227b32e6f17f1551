namespace KiteLine.Web;

/// <summary>
/// Slows down guessing: after five wrong passwords for a name, or thirty from an address, the next try has to wait,
/// twice as long after each further one, up to a quarter of an hour.
/// </summary>
internal sealed class SignInThrottle(TimeProvider clock)
{
    private const int FreeByName = 5;
    private const int FreeByAddress = 30;
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(15);
    private readonly Lock _gate = new();
    private readonly Dictionary<string, (int Failures, DateTimeOffset Last)> _failed = new(
        StringComparer.OrdinalIgnoreCase
    );

    /// <summary>How long the next try has to wait; zero when it may go on.</summary>
    internal TimeSpan Wait(string name, string address)
    {
        lock (_gate)
        {
            var (byName, byAddress) = (Left($"name {name}", FreeByName), Left($"from {address}", FreeByAddress));
            return byName > byAddress ? byName : byAddress;
        }
    }

    internal void Failed(string name, string address)
    {
        lock (_gate)
        {
            var now = clock.GetUtcNow();
            // What is long past is forgotten, so that a stream of made-up names does not fill the memory.
            foreach (var old in _failed.Where(f => now - f.Value.Last > Longest).Select(f => f.Key).ToList())
                _failed.Remove(old);
            foreach (var key in new[] { $"name {name}", $"from {address}" })
                _failed[key] = (_failed.GetValueOrDefault(key).Failures + 1, now);
        }
    }

    internal void Succeeded(string name)
    {
        lock (_gate)
            _failed.Remove($"name {name}");
    }

    private TimeSpan Left(string key, int free)
    {
        if (!_failed.TryGetValue(key, out var f) || f.Failures < free)
            return TimeSpan.Zero;
        var wait = TimeSpan.FromSeconds(
            Math.Min(Longest.TotalSeconds, 30 * Math.Pow(2, Math.Min(10, f.Failures - free)))
        );
        var left = f.Last + wait - clock.GetUtcNow();
        return left > TimeSpan.Zero ? left : TimeSpan.Zero;
    }
}
