namespace KiteLine.Web;

internal sealed record LateChargePolicyView(
    string Code,
    string Name,
    int Version,
    LateChargePolicyShape Policy,
    long Uses,
    string MadeBy,
    string MadeAt
);
