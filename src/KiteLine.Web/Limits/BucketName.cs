namespace KiteLine.Web;

internal sealed record BucketName(string Bucket);
