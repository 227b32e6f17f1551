using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>What the demo company expects to lose of its receivables; made up.</summary>
internal static class DemoProvisions
{
    /// <summary>A matrix for each year, and one that was put right.</summary>
    internal static bool Create(Tx tx)
    {
        ProvisionStore.Add(
            tx,
            new(new(2024, 7, 1), [30, 60, 90], [0.25m, 1.4m, 3.5m, 7m, 22m]),
            "First year of the books"
        );
        ProvisionStore.Add(
            tx,
            new(new(2025, 7, 1), [30, 60, 90], [0.3m, 1.5m, 4m, 9m, 25m]),
            "More went bad in spring"
        );
        ProvisionStore.Add(
            tx,
            new(new(2026, 1, 1), [30, 60, 90], [0.3m, 1.6m, 4.2m, 9.5m, 28m]),
            "Looked at for the year end"
        );
        return true;
    }
}
