using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record BucketView(string Bucket, Money Amount);
