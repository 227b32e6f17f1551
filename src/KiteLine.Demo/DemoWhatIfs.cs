using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>What somebody tries out on the demo company's past; the server works it out when it starts.</summary>
internal static class DemoWhatIfs
{
    /// <summary>Terms without a discount where there was one, payments staying or moving; another policy for all.</summary>
    internal static bool Create(Tx tx)
    {
        var today = tx.BusinessDate();
        var asked = new WhatIfDefinition(
            today.AddYears(-1).AddDays(1),
            today,
            "terms:2/10 n/30",
            Version<TermsDefinition>(tx, PolicyKind.Terms, "n/30"),
            null,
            null,
            null,
            null,
            null,
            CompanyStore.Settings(tx.Connection).CostOfCapital
        );
        WhatIfStore.Add(tx, "2/10 n/30 without its discount", asked);
        WhatIfStore.Add(tx, "The same, where a discount draws payments", asked with { MovesFrom = 20 });
        WhatIfStore.Add(
            tx,
            "All charged by the patient policy",
            asked with
            {
                Within = "",
                Terms = null,
                LateCharges = Version<LateChargePolicy>(tx, PolicyKind.LateCharge, "PATIENT"),
            }
        );
        return true;
    }

    private static NamedVersion Version<T>(Tx tx, string kind, string code)
    {
        var found = PolicyStore.Find<T>(tx.Connection, kind, code)!;
        return new(found.Id, found.Code);
    }
}
