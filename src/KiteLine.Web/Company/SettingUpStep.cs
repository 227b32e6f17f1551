namespace KiteLine.Web;

/// <summary>One step of setting up a company, and where it is done; empty for the last, which ends it.</summary>
internal sealed record SettingUpStep(string What, string Why, bool Done, string Path);
