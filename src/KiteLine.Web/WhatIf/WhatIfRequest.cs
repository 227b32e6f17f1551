using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What somebody asks of a what-if; what is left out stays as it was.</summary>
internal sealed record WhatIfRequest(
    string? Name,
    [property: TextOf(typeof(DateOnly))] string? From,
    [property: TextOf(typeof(DateOnly))] string? To,
    string? Within,
    string? Terms,
    string? LateCharges,
    string? Reminders,
    string? LimitPercent,
    ResponsesShape? Responses,
    string? MovesFrom,
    string? CostOfCapital
);
