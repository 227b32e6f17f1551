using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Users, their authority, and the keys of programs.</summary>
internal static class UserEndpoints
{
    internal static void MapUsers(this RouteGroupBuilder api)
    {
        var users = api.MapGroup("/users").WithTags("Users");
        users
            .MapGet("/", (Desk desk) => desk.Books.Read(UserStore.All).Select(UserView.Of).ToList())
            .By(Role.Administrator)
            .WithName("listUsers")
            .WithSummary("Everybody who may sign in, and those who might once");
        users
            .MapPost(
                "/",
                (UserRequest request, Desk desk, HttpContext context) =>
                {
                    var user = Read(request, new() { Authority = Authority.None });
                    var hash = Passwords.HashNew(request.Password, user.Name);
                    return desk.Write(context, tx => UserView.Of(UserStore.Add(tx, user, hash)));
                }
            )
            .WithMetadata(new Idempotency.HoldsSecret())
            .By(Role.Administrator)
            .WithName("addUser")
            .WithSummary("Adds a user")
            .ProducesProblem(400);
        users
            .MapPut(
                "/{id:long}",
                (long id, UserRequest request, Desk desk, HttpContext context) =>
                {
                    var version = context.Version();
                    return desk.Write(
                        context,
                        tx =>
                            UserView.Of(
                                UserStore.Change(
                                    tx,
                                    Read(request, UserStore.Get(tx.Connection, id)) with
                                    {
                                        Version = version,
                                    },
                                    request.Reason ?? ""
                                )
                            )
                    );
                }
            )
            .By(Role.Administrator)
            .WithName("changeUser")
            .WithSummary("Changes name, role, authority or whether a user may sign in; needs If-Match")
            .ProducesProblem(400)
            .ProducesProblem(404)
            .ProducesProblem(412);
        users
            .MapPost(
                "/{id:long}/password",
                (long id, PasswordRequest request, Desk desk, HttpContext context) =>
                    desk.Write(
                        context,
                        tx =>
                        {
                            var user = UserStore.Get(tx.Connection, id);
                            UserStore.SetPassword(tx, user, Passwords.HashNew(request.Password, user.Name));
                            return UserView.Of(user);
                        }
                    )
            )
            .WithMetadata(new Idempotency.HoldsSecret())
            .By(Role.Administrator)
            .WithName("setPassword")
            .WithSummary("Gives a user a new password and ends his or her sessions")
            .ProducesProblem(400)
            .ProducesProblem(404);
        users
            .MapGet("/changes", (Desk desk) => desk.Books.Read(c => AuditEntry.Of(Audit.Of(c, "users"))))
            .By(Role.Administrator)
            .WithName("getUserChanges")
            .WithSummary("What was changed on users and keys, by whom and why");
        users
            .MapGet("/sign-ins", (Desk desk) => desk.Books.Read(c => AuditEntry.Of(Audit.Of(c, SignIn.SignInSubject))))
            .By(Role.Administrator)
            .WithName("listSignIns")
            .WithSummary("Who signed in and out and which tries were refused, when and from where; the latest");

        var keys = api.MapGroup("/keys").WithTags("Users");
        keys.MapGet("/", (Desk desk) => desk.Books.Read(ApiKeyStore.All).Select(k => KeyView.Of(k)).ToList())
            .By(Role.Administrator)
            .WithName("listKeys")
            .WithSummary("The keys of programs; the keys themselves are not kept");
        keys.MapPost(
                "/",
                (KeyRequest request, Desk desk, HttpContext context) =>
                {
                    var fields = new Fields();
                    var name = fields.Text(
                        "name",
                        request.Name,
                        "a name, such as the program that will use the key",
                        60
                    );
                    var role = fields.Choice("role", request.Role, (Role?)Role.Viewer);
                    fields.ThrowIfAny();
                    return desk.Write(
                        context,
                        tx => ApiKeyStore.Make(tx, name, role) is var (key, secret) ? KeyView.Of(key, secret) : null!
                    );
                }
            )
            .WithMetadata(new Idempotency.TellsSecret())
            .By(Role.Administrator)
            .WithName("makeKey")
            .WithSummary("Makes a key and shows it this once")
            .ProducesProblem(400);
        keys.MapPost(
                "/{id:long}/revoke",
                (long id, Desk desk, HttpContext context) =>
                    desk.Write(context, tx => KeyView.Of(ApiKeyStore.Revoke(tx, id)))
            )
            .By(Role.Administrator)
            .WithName("revokeKey")
            .WithSummary("Ends a key")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static User Read(UserRequest request, User before)
    {
        var fields = new Fields();
        var user = before with
        {
            Name = before.Id > 0 ? before.Name : fields.Text("name", request.Name, "a name to sign in with", 40),
            FullName =
                request.FullName is null && before.Id > 0
                    ? before.FullName
                    : fields.Text("fullName", request.FullName, "the full name that stands in the books", 80),
            Role = fields.Choice("role", request.Role, (Role?)before.Role),
            Authority = request.Authority?.Read(fields) ?? before.Authority,
            Active = request.Active ?? before.Active,
        };
        fields.ThrowIfAny();
        return user;
    }
}
