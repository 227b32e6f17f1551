namespace KiteLine.Core;

/// <summary>What becomes of a reminder's fee, or of the interest on its items.</summary>
public enum Treatment
{
    /// <summary>It is posted as an item of its own and demanded in the letter.</summary>
    Post,

    /// <summary>It is demanded in the letter and not posted.</summary>
    Show,

    /// <summary>It is left out.</summary>
    None,
}
