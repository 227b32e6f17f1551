namespace KiteLine.Web;

/// <summary>The answer to "may this go?": nothing was found, or the strictest response to what was.</summary>
internal enum CheckAnswer
{
    /// <summary>Nothing stands against it.</summary>
    Pass,

    /// <summary>It may go; something is to be known.</summary>
    Tell,

    /// <summary>It may go with a reason.</summary>
    Ask,

    /// <summary>It may not go.</summary>
    Refuse,
}
