using Dapper;
using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>The one-time code by which whoever started the program becomes its first administrator.</summary>
public static class FirstCode
{
    /// <summary>A new code, which makes the one before void; null once there is a user.</summary>
    public static string? Renew(Tx tx)
    {
        ArgumentNullException.ThrowIfNull(tx);
        if (UserStore.Any(tx.Connection))
            return null;
        var code = Secret.NewCode();
        tx.Connection.Execute("INSERT OR REPLACE INTO first_code VALUES (1, @hash)", new { hash = Secret.Hash(code) });
        return code;
    }

    /// <summary>Makes the first administrator and voids the code.</summary>
    /// <exception cref="RefusedException">The code is not the one, or there is a user already.</exception>
    public static User Use(Tx tx, string code, string name, string fullName, string passwordHash)
    {
        ArgumentNullException.ThrowIfNull(tx);
        if (UserStore.Any(tx.Connection))
            throw new RefusedException("code", "There are users already; ask an administrator for a sign-in.");
        var hash = Secret.Hash(code.Trim().ToUpperInvariant());
        if (tx.Connection.Execute("DELETE FROM first_code WHERE hash = @hash", new { hash }) == 0)
            throw new RefusedException("code", "This is not the code that the program printed at its last start.");
        return UserStore.Add(
            tx,
            new()
            {
                Name = name,
                FullName = fullName,
                Role = Role.Administrator,
                Authority = Authority.Unbounded,
            },
            passwordHash
        );
    }
}
