namespace KiteLine.Web;

/// <summary>
/// Slows down guessing, and nobody else. A try counts as failed from its beginning until it is known to be right, so
/// that tries side by side get no more guesses. After five for a name from an address the next has to wait, twice as
/// long after each further one, up to forty seconds: that lets in ninety an hour, where OWASP ASVS 2.2.1 allows a
/// hundred, and a colleague at the same address is not shut out. So has one for a name that was tried twenty times from
/// anywhere. What was tried is forgotten after a quarter of an hour without another try. From an address with a hundred
/// failures one try is let in every two seconds: there may be many people behind it. Who has signed in from an
/// address before waits for the own failures there alone, whatever others do. Time is measured by how much has passed,
/// not by the clock on the wall.
/// </summary>
internal sealed class SignInThrottle(TimeProvider clock)
{
    private const int FreeOfPair = 5;
    private const int FreeOfName = 20;
    private const int FreeOfAddress = 100;

    // What is kept is bounded, however many names are made up: a name has up to 40 characters, the rest is cut off.
    private const int MostKept = 20_000;
    private const int LongestName = 40;

    private static readonly TimeSpan First = TimeSpan.FromSeconds(5);
    private static readonly TimeSpan Between = TimeSpan.FromSeconds(2);
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(40);
    private static readonly TimeSpan KeptFor = TimeSpan.FromMinutes(15);

    private static readonly TimeSpan BetweenLooks = TimeSpan.FromMinutes(1);

    private readonly Lock _gate = new();
    private readonly Dictionary<string, (int Failures, long Last)> _failed = new(StringComparer.OrdinalIgnoreCase);
    private readonly HashSet<string> _known = new(StringComparer.OrdinalIgnoreCase);
    private long _lookedThrough;

    /// <summary>How many names and addresses are remembered.</summary>
    internal int Kept
    {
        get
        {
            lock (_gate)
                return _failed.Count;
        }
    }

    /// <summary>Begins a try, which counts as failed; or says how long it has to wait, and does not begin it.</summary>
    internal TimeSpan Begin(string name, string address)
    {
        var (pair, ofName, ofAddress) = Keys(name, address);
        lock (_gate)
        {
            var wait = Left(pair, FreeOfPair);
            if (!_known.Contains(pair))
                wait = Longer(wait, Longer(Left(ofName, FreeOfName), OfAddress(ofAddress)));
            if (wait > TimeSpan.Zero)
                return wait;
            Forget();
            var now = clock.GetTimestamp();
            foreach (var key in new[] { pair, ofName, ofAddress })
                _failed[key] = (_failed.GetValueOrDefault(key).Failures + 1, now);
            return TimeSpan.Zero;
        }
    }

    /// <summary>The try that was begun was right.</summary>
    internal void Succeeded(string name, string address)
    {
        var (pair, ofName, ofAddress) = Keys(name, address);
        lock (_gate)
        {
            _failed.Remove(pair);
            _failed.Remove(ofName);
            if (_failed.TryGetValue(ofAddress, out var f))
                _failed[ofAddress] = f with { Failures = Math.Max(0, f.Failures - 1) };
            if (_known.Count < MostKept)
                _known.Add(pair);
        }
    }

    private static (string Pair, string Name, string Address) Keys(string name, string address)
    {
        var known = name.Length <= LongestName ? name : name[..LongestName];
        return ($"{known} from {address}", $"name {known}", $"from {address}");
    }

    private static TimeSpan Longer(TimeSpan a, TimeSpan b) => a > b ? a : b;

    // What is long past is forgotten, and the oldest when there is too much. All are looked through only now and then, so
    // that a try costs the same however many are kept.
    private void Forget()
    {
        if (_failed.Count <= MostKept && clock.GetElapsedTime(_lookedThrough) < BetweenLooks)
            return;
        _lookedThrough = clock.GetTimestamp();
        foreach (
            var old in _failed.Where(f => clock.GetElapsedTime(f.Value.Last) > KeptFor).Select(f => f.Key).ToList()
        )
            _failed.Remove(old);
        if (_failed.Count > MostKept)
            foreach (var old in _failed.OrderBy(f => f.Value.Last).Take(MostKept / 10).Select(f => f.Key).ToList())
                _failed.Remove(old);
    }

    private TimeSpan OfAddress(string key) =>
        _failed.TryGetValue(key, out var f) && f.Failures >= FreeOfAddress
            ? Longer(TimeSpan.Zero, Between - clock.GetElapsedTime(f.Last))
            : TimeSpan.Zero;

    private TimeSpan Left(string key, int free)
    {
        if (!_failed.TryGetValue(key, out var f) || f.Failures < free)
            return TimeSpan.Zero;
        var wait = TimeSpan.FromSeconds(
            Math.Min(Longest.TotalSeconds, First.TotalSeconds * Math.Pow(2, Math.Min(10, f.Failures - free)))
        );
        var left = wait - clock.GetElapsedTime(f.Last);
        return left > TimeSpan.Zero ? left : TimeSpan.Zero;
    }
}
