using KiteLine.Core;
using Microsoft.AspNetCore.Authorization;

namespace KiteLine.Web;

/// <summary>States at each endpoint who may call it. One that states nothing is open to nobody.</summary>
internal static class MayCall
{
    private const string AdministratorOrKey = "administrator or key";
    private const string InDemoAnyone = "viewer, in the demo anyone";

    /// <summary>Users of this role or a later one, and keys of it.</summary>
    internal static T By<T>(this T endpoint, Role least)
        where T : IEndpointConventionBuilder => endpoint.RequireAuthorization(Policy(least));

    /// <summary>Any user; in the demo anyone at all.</summary>
    internal static T ByViewerOrInDemoAnyone<T>(this T endpoint)
        where T : IEndpointConventionBuilder => endpoint.RequireAuthorization(InDemoAnyone);

    /// <summary>Administrators and keys of whatever role, which watch the program.</summary>
    internal static T ByAdministratorOrKey<T>(this T endpoint)
        where T : IEndpointConventionBuilder => endpoint.RequireAuthorization(AdministratorOrKey);

    /// <summary>Anyone, signed in or not.</summary>
    internal static T ByAnyone<T>(this T endpoint)
        where T : IEndpointConventionBuilder => endpoint.AllowAnonymous();

    internal static void AddPolicies(AuthorizationOptions options, bool isDemo)
    {
        foreach (var role in Enum.GetValues<Role>())
            options.AddPolicy(
                Policy(role),
                policy =>
                    policy.RequireAssertion(c =>
                        c.Resource is HttpContext http && http.KnownActor() is { } actor && actor.Role >= role
                    )
            );
        options.AddPolicy(
            AdministratorOrKey,
            policy =>
                policy.RequireAssertion(c =>
                    c.Resource is HttpContext http
                    && http.KnownActor() is { } actor
                    && (http.Person() is null || actor.Role == Role.Administrator)
                )
        );
        options.AddPolicy(
            InDemoAnyone,
            policy =>
                policy.RequireAssertion(c =>
                    isDemo || (c.Resource is HttpContext http && http.KnownActor() is not null)
                )
        );
        options.FallbackPolicy = new AuthorizationPolicyBuilder().RequireAssertion(_ => false).Build();
    }

    internal static string Policy(Role role) => Fields.Name(role);
}
