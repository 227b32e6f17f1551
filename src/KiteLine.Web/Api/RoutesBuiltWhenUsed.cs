using Microsoft.Extensions.Options;

namespace KiteLine.Web;

/// <summary>
/// Maps handlers like the framework's methods of the same names, but compiles what reads a request into a handler's
/// parameters when the address is first asked for. Compiling all of them was two thirds of the time it took to start,
/// and a caller who waits for the first page uses one. What describes an address, and who may call it, is there from
/// the start.
/// </summary>
internal static class RoutesBuiltWhenUsed
{
    internal static RouteHandlerBuilder MapGet(this RouteGroupBuilder routes, string pattern, Delegate handler) =>
        Map(routes, HttpMethods.Get, pattern, handler);

    internal static RouteHandlerBuilder MapPost(this RouteGroupBuilder routes, string pattern, Delegate handler) =>
        Map(routes, HttpMethods.Post, pattern, handler);

    internal static RouteHandlerBuilder MapPut(this RouteGroupBuilder routes, string pattern, Delegate handler) =>
        Map(routes, HttpMethods.Put, pattern, handler);

    internal static RouteHandlerBuilder MapDelete(this RouteGroupBuilder routes, string pattern, Delegate handler) =>
        Map(routes, HttpMethods.Delete, pattern, handler);

    private static RouteHandlerBuilder Map(RouteGroupBuilder routes, string method, string pattern, Delegate handler)
    {
        Lazy<RequestDelegate>? compiled = null;
        var mapped = routes.MapMethods(pattern, [method], context => compiled!.Value(context));
        // After what groups say of all their addresses, and before what is said of this one.
        mapped.Add(endpoint => compiled = Describe((RouteEndpointBuilder)endpoint, handler));
        return new RouteHandlerBuilder([mapped]);
    }

    private static Lazy<RequestDelegate> Describe(RouteEndpointBuilder endpoint, Delegate handler)
    {
        var services = endpoint.ApplicationServices;
        var own = new RouteEndpointBuilder(null, endpoint.RoutePattern, endpoint.Order)
        {
            ApplicationServices = services,
        };
        var options = new RequestDelegateFactoryOptions
        {
            ServiceProvider = services,
            RouteParameterNames = endpoint.RoutePattern.Parameters.Select(p => p.Name),
            ThrowOnBadRequest = services.GetRequiredService<IOptions<RouteHandlerOptions>>().Value.ThrowOnBadRequest,
            EndpointBuilder = own,
        };
        // Filters look at the handler's parameters, so they belong to what is compiled.
        foreach (var filter in endpoint.FilterFactories)
            own.FilterFactories.Add(filter);
        endpoint.FilterFactories.Clear();
        var inferred = RequestDelegateFactory.InferMetadata(handler.Method, options);
        endpoint.Metadata.Add(handler.Method);
        foreach (var described in inferred.EndpointMetadata)
            endpoint.Metadata.Add(described);
        return new(() => RequestDelegateFactory.Create(handler, options, inferred).RequestDelegate);
    }
}
