namespace KiteLine.Core;

/// <summary>What can go out by e-mail by itself.</summary>
public enum MailedReport
{
    /// <summary>An ageing.</summary>
    Ageing,

    /// <summary>Measures side by side.</summary>
    Measures,

    /// <summary>Cases of leakage.</summary>
    Leakage,

    /// <summary>A cash forecast.</summary>
    CashForecast,

    /// <summary>The provision by age.</summary>
    Provision,

    /// <summary>The page of one account for a credit committee.</summary>
    Overview,

    /// <summary>The statement of one account.</summary>
    Statement,

    /// <summary>The statement of one group.</summary>
    GroupStatement,

    /// <summary>A what-if as it was worked out.</summary>
    WhatIf,
}
