using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>What a new company still has to decide, in the order in which the rest depends on it.</summary>
internal static class SettingUp
{
    internal static List<SettingUpStep> Steps(SqliteConnection connection)
    {
        var settings = CompanyStore.Settings(connection);
        var accounts = AccountStore.Count(connection);
        bool Any<T>(string kind) => PolicyStore.All<T>(connection, kind).Count > 0;
        return
        [
            new(
                "Name, address and currency",
                "Letters bear the name; the currency is fixed with the first posting",
                settings.Name != new CompanySettings().Name,
                "/policies/company"
            ),
            new(
                "Terms",
                "When invoices fall due; three usual ones are there already",
                PolicyStore.All<TermsDefinition>(connection, PolicyKind.Terms).Any(t => t.MadeBy != "set-up"),
                "/policies/terms"
            ),
            new(
                "A tax code",
                "The tax on invoices and charges",
                Any<TaxCode>(PolicyKind.TaxCode),
                "/policies/tax-codes"
            ),
            new(
                "A late-charge policy",
                "What being late costs; statutory interest can be started from",
                Any<LateChargePolicy>(PolicyKind.LateCharge),
                "/policies/late-charges"
            ),
            new(
                "A reminder plan",
                "Which letters go out when",
                Any<ReminderPlan>(PolicyKind.ReminderPlan),
                "/policies/reminders"
            ),
            new(
                "What new customers start with",
                "So that a customer needs a name and no more",
                settings.Defaults is { LateChargePolicy: not null, ReminderPlan: not null },
                "/policies/company"
            ),
            new("The first customer", "Typed in with N, or imported from a file", accounts > 0, "/accounts?new=1"),
            new(
                "The end of setting up",
                "Until a manager ends it, what was open before comes in freely",
                settings.SettingUpEndedOn is not null,
                ""
            ),
        ];
    }
}
