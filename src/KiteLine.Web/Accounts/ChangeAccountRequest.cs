using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What is changed of a customer's record; what is left out stays.</summary>
internal sealed record ChangeAccountRequest(CustomerShape? Customer, string? Reason);
