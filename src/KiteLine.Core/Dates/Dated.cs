namespace KiteLine.Core;

/// <summary>Finds what holds on a day in a history of dated entries.</summary>
public static class Dated
{
    /// <summary>
    /// The entry in force on a day: the one with the latest start on or before it, the last recorded among equals.
    /// Null when none has started.
    /// </summary>
    public static T? InForce<T>(IReadOnlyList<T> history, Func<T, DateOnly> from, DateOnly day)
        where T : class
    {
        T? found = null;
        for (var i = 0; i < history.Count; i++)
        {
            var start = from(history[i]);
            if (start <= day && (found is null || start >= from(found)))
                found = history[i];
        }

        return found;
    }
}
