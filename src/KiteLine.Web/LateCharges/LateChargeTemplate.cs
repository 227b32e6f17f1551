namespace KiteLine.Web;

internal sealed record LateChargeTemplate(string Name, string Source, LateChargePolicyShape Policy);
