namespace KiteLine.Core;

/// <summary>What a limit rests on.</summary>
public enum LimitSource
{
    /// <summary>The company's own judgement.</summary>
    OwnAssessment,

    /// <summary>A credit insurer's decision.</summary>
    CreditInsurer,

    /// <summary>The report of a credit agency.</summary>
    AgencyReport,

    /// <summary>A guarantee or other security.</summary>
    Guarantee,
}
