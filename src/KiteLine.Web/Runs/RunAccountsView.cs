namespace KiteLine.Web;

/// <param name="Total">How many accounts of the run are asked for.</param>
internal sealed record RunAccountsView(long Total, IReadOnlyList<RunAccountView> Items);
