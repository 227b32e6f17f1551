namespace KiteLine.Core;

/// <summary>What becomes of a reminder's fee.</summary>
public enum FeeTreatment
{
    /// <summary>It is posted as an item of its own and demanded in the letter.</summary>
    Post,

    /// <summary>It is demanded in the letter and not posted.</summary>
    Show,

    /// <summary>There is none.</summary>
    None,
}
