using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>The made-up people of the demo company. Everybody may know their password.</summary>
public static class DemoUsers
{
    /// <summary>The password of each of them.</summary>
    public const string Password = "salt-marsh-demo";

    private static readonly User[] All =
    [
        new()
        {
            Name = "castellane",
            FullName = "H. Castellane",
            Role = Role.Administrator,
            Authority = Authority.Unbounded,
        },
        new()
        {
            Name = "rowntree",
            FullName = "P. Rowntree",
            Role = Role.Manager,
            Authority = new(250_000, 100_000, 2500, 1000),
        },
        new()
        {
            Name = "adeyemi",
            FullName = "R. Adeyemi",
            Role = Role.Controller,
            Authority = new(25_000, 2500, 100, 25),
        },
        new()
        {
            Name = "lindqvist",
            FullName = "M. Lindqvist",
            Role = Role.Controller,
            Authority = new(25_000, 2500, 100, 25),
        },
        new()
        {
            Name = "okafor",
            FullName = "T. Okafor",
            Role = Role.Controller,
            Authority = new(10_000, 1000, 50, 10),
        },
        new()
        {
            Name = "brandt",
            FullName = "S. Brandt",
            Role = Role.Controller,
            Authority = new(2000, 0, 0, 0),
        },
        new()
        {
            Name = "hale",
            FullName = "L. Hale",
            Role = Role.Viewer,
            Authority = Authority.None,
        },
    ];

    internal static void Create(Tx tx, Func<string, string> hashPassword)
    {
        var hash = hashPassword(Password);
        foreach (var user in All)
            UserStore.Add(tx, user, hash);
    }
}
