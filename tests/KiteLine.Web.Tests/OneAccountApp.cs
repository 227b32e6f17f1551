using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web.Tests;

/// <summary>The application over books with one account, PEL01, that may owe 1,000.</summary>
public sealed class OneAccountApp : TestApp
{
    public OneAccountApp() => Books.Write("tests", tx => AccountStore.Open(tx, new("Pellworm Sail Loft", Limit: 1000)));

    private int _users;

    internal DateOnly Today => Desk.Today();

    /// <summary>A client that a new user of this role and authority is signed in by.</summary>
    internal HttpClient As(Role role, Authority authority, out User user)
    {
        var n = ++_users;
        user = Books.Write(
            "tests",
            tx =>
                UserStore.Add(
                    tx,
                    new()
                    {
                        Name = $"user{n}",
                        FullName = $"U. Ser {n}",
                        Role = role,
                        Authority = authority,
                    },
                    Passwords.Hash(Password)
                )
        );
        var client = Nobody();
        client.DefaultRequestHeaders.Add("Cookie", Cookie($"user{n}"));
        return client;
    }

    internal HttpClient As(Role role, Authority authority) => As(role, authority, out _);

    internal Task<(int Status, JsonElement Body)> Enter(string number, string total, string? key = null) =>
        Post("/api/accounts/PEL01/orders", new { number, total }, key is null ? [] : [("Idempotency-Key", key)]);
}
