namespace KiteLine.Web;

internal sealed record BucketView(string Bucket, string Amount);
