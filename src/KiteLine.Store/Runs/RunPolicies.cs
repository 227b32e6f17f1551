using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The policies that hold for accounts now, each read once for all accounts of a run.</summary>
internal sealed class RunPolicies
{
    private readonly Dictionary<string, LateChargePolicy?> _charges;
    private readonly Dictionary<string, TaxCode?> _taxes;
    private readonly Dictionary<string, ReminderPlan?> _plans;

    internal RunPolicies(SqliteConnection connection)
    {
        _charges = PolicyStore
            .All<LateChargePolicy>(connection, PolicyKind.LateCharge)
            .ToDictionary(
                p => p.Code,
                p => (LateChargePolicy?)PolicyStore.WithReference(connection, p.Definition),
                StringComparer.Ordinal
            );
        _taxes = PolicyStore
            .All<TaxCode>(connection, PolicyKind.TaxCode)
            .ToDictionary(t => t.Code, t => (TaxCode?)t.Definition, StringComparer.Ordinal);
        _plans = PolicyStore
            .All<ReminderPlan>(connection, PolicyKind.ReminderPlan)
            .ToDictionary(p => p.Code, p => (ReminderPlan?)p.Definition, StringComparer.Ordinal);
    }

    /// <summary>A ledger with the policies that these codes name.</summary>
    internal AccountLedger With(AccountLedger ledger, string? charges, string? plan)
    {
        var policy = charges is null ? null : _charges.GetValueOrDefault(charges);
        return ledger with
        {
            Policy = policy,
            ChargeTax = policy is { TaxCode.Length: > 0 } ? _taxes.GetValueOrDefault(policy.TaxCode) : null,
            Plan = plan is null ? null : _plans.GetValueOrDefault(plan),
        };
    }
}
