using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A finding as it stood when an order was checked.</summary>
public sealed record KeptFinding(CheckFinding Kind, CheckResponse Response, string Text);
