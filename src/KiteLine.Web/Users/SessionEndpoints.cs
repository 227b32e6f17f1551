using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Signing in and out.</summary>
internal static class SessionEndpoints
{
    internal static void MapSession(this RouteGroupBuilder api)
    {
        var session = api.MapGroup("/session").WithTags("Users");
        session
            .MapGet("/", (Desk desk, HttpContext context) => View(desk, context.Person()))
            .ByAnyone()
            .WithName("getSession")
            .WithSummary("Who is signed in; in the demo, who one can sign in as");
        session
            .MapPost("/", Begin)
            .ByAnyone()
            .WithName("signIn")
            .WithSummary("Signs in by name and password")
            .Produces<SessionView>()
            .ProducesProblem(400)
            .ProducesProblem(429);
        session
            .MapPost("/first", First)
            .ByAnyone()
            .WithName("makeFirstAdministrator")
            .WithSummary("Makes the first administrator with the code that the program printed")
            .Produces<SessionView>()
            .ProducesProblem(400)
            .ProducesProblem(429);
        session
            .MapPost("/password", Change)
            .By(Role.Viewer)
            .WithName("changeOwnPassword")
            .WithSummary("Changes one's own password; other sessions end")
            .Produces<SessionView>()
            .ProducesProblem(400);
        session
            .MapDelete(
                "/",
                async (Desk desk, HttpContext context) =>
                {
                    await SignIn.End(context, desk);
                    return Results.Ok(View(desk, null));
                }
            )
            .By(Role.Viewer)
            .WithName("signOut")
            .WithSummary("Ends the session")
            .Produces<SessionView>();
    }

    private static SessionView View(Desk desk, User? user) =>
        desk.Books.Read(connection =>
        {
            var settings = CompanyStore.Settings(connection);
            return new SessionView(
                user is null ? null : UserView.Of(user),
                !UserStore.Any(connection),
                desk.IsDemo && user is null
                    ?
                    [
                        .. UserStore
                            .All(connection)
                            .Where(u => u.Active)
                            .OrderByDescending(u => u.Role)
                            .Select(u => new OfferedUser(
                                u.Name,
                                u.FullName,
                                u.Role,
                                Demo.DemoUsers.Password,
                                AuthorityShape.Of(u.Authority)
                            )),
                    ]
                    : [],
                settings.BaseCurrency
            );
        });

    private static async Task<IResult> Begin(
        SignInRequest request,
        Desk desk,
        SignInThrottle throttle,
        HttpContext context
    )
    {
        var name = request.Name?.Trim() ?? "";
        if (Throttled(throttle, name, context) is { } wait)
            return wait;
        var found = desk.Books.Read(c => UserStore.Find(c, name));
        if (!Passwords.Fits(found?.PasswordHash, request.Password ?? "") || found is not { User.Active: true } known)
        {
            SignIn.Refused(context, desk, name);
            throw new RefusedException("password", "The name or the password is not right.");
        }

        throttle.Succeeded(name, SignIn.From(context));
        await SignIn.Begin(context, desk, known.User);
        return Results.Ok(View(desk, known.User));
    }

    private static async Task<IResult> First(
        FirstAdministratorRequest request,
        Desk desk,
        SignInThrottle throttle,
        HttpContext context
    )
    {
        const string Attempts = "first administrator";
        if (Throttled(throttle, Attempts, context) is { } wait)
            return wait;
        var fields = new Fields();
        var code = fields.Text("code", request.Code, "the code that the program printed when it started");
        var name = fields.Text("name", request.Name, "a name to sign in with", 40);
        var fullName = fields.Text("fullName", request.FullName, "your full name as it shall stand in the books", 80);
        fields.ThrowIfAny();
        var hash = Passwords.HashNew(request.Password, name);
        User user;
        try
        {
            user = desk.Books.Write("set-up", tx => FirstCode.Use(tx, code, name, fullName, hash));
        }
        catch (RefusedException)
        {
            SignIn.Refused(context, desk, Attempts);
            throw;
        }

        throttle.Succeeded(Attempts, SignIn.From(context));
        await SignIn.Begin(context, desk, user);
        return Results.Ok(View(desk, user));
    }

    private static async Task<IResult> Change(
        OwnPasswordRequest request,
        Desk desk,
        SignInThrottle throttle,
        HttpContext context
    )
    {
        var user = context.Person() ?? throw new RefusedException("former", "A key has no password.");
        if (Throttled(throttle, user.Name, context) is { } wait)
            return wait;
        if (!Passwords.Fits(desk.Books.Read(c => UserStore.Find(c, user.Name))?.PasswordHash, request.Former ?? ""))
        {
            SignIn.Refused(context, desk, user.Name);
            throw new RefusedException("former", "This is not your present password.");
        }

        throttle.Succeeded(user.Name, SignIn.From(context));
        var hash = Passwords.HashNew(request.Password, user.Name);
        desk.Books.Write(
            context.Who(),
            tx =>
            {
                UserStore.SetPassword(tx, user, hash);
                return 0;
            }
        );
        await SignIn.Begin(context, desk, user);
        return Results.Ok(View(desk, user));
    }

    private static IResult? Throttled(SignInThrottle throttle, string name, HttpContext context)
    {
        var wait = throttle.Begin(name, SignIn.From(context));
        if (wait <= TimeSpan.Zero)
            return null;
        var seconds = (int)Math.Ceiling(wait.TotalSeconds);
        context.Response.Headers.RetryAfter = $"{seconds}";
        return Results.Problem(
            statusCode: 429,
            title: "Too many attempts",
            detail: $"Wait {seconds} seconds before you try again."
        );
    }
}
