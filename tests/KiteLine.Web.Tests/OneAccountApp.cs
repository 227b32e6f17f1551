using System.Text.Json;
using KiteLine.Store;

namespace KiteLine.Web.Tests;

/// <summary>The application over books with one account, PEL01, that may owe 1,000.</summary>
public sealed class OneAccountApp : TestApp
{
    public OneAccountApp() => Books.Write("tests", tx => AccountStore.Open(tx, new("Pellworm Sail Loft", Limit: 1000)));

    internal DateOnly Today => Desk.Today();

    internal Task<(int Status, JsonElement Body)> Enter(string number, string total, string? key = null) =>
        Post("/api/accounts/PEL01/orders", new { number, total }, key is null ? [] : [("Idempotency-Key", key)]);
}
