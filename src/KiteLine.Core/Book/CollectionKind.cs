namespace KiteLine.Core;

/// <summary>Who goes on with an account that was handed over.</summary>
public enum CollectionKind
{
    /// <summary>A collection agency.</summary>
    Agency,

    /// <summary>Lawyers, or a court.</summary>
    Legal,
}
