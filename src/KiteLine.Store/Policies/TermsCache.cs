using System.Collections.Concurrent;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Terms by the identifier of their version, read once; a version never changes.</summary>
public sealed class TermsCache
{
    private readonly ConcurrentDictionary<long, Terms> _byId = new();

    public Terms Get(SqliteConnection connection, long id) =>
        _byId.GetOrAdd(id, key => PolicyStore.ById<TermsDefinition>(connection, key).Definition.ToTerms());
}
