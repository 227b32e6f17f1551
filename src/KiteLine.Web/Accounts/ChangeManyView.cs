using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record ChangeManyView(
    bool Preview,
    long BatchId,
    string Field,
    IReadOnlyList<ChangedAccount> Changed,
    int Unchanged,
    IReadOnlyList<ChangedAccount> Left
);
