using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ProvisionLineView(string Bucket, MoneySum Gross, decimal Rate, MoneySum Loss);
