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
}
