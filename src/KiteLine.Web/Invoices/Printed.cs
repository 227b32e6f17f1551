using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>How a customer stands on whatever is printed.</summary>
internal static class Printed
{
    internal static string NameOf(Account account) =>
        account.Profile.LegalName is { Length: > 0 } legal ? legal : account.Name;

    internal static IReadOnlyList<string> AddressOf(Account account) =>
        account.Address.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
}
