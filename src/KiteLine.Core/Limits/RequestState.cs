namespace KiteLine.Core;

/// <summary>How a request for a limit or an uplift stands.</summary>
public enum RequestState
{
    /// <summary>It waits for an answer.</summary>
    Asked,

    /// <summary>Somebody with the authority agreed; the limit is set.</summary>
    Approved,

    /// <summary>Somebody with the authority refused.</summary>
    Refused,

    /// <summary>Who asked no longer asks.</summary>
    Withdrawn,

    /// <summary>Nobody answered in time.</summary>
    Expired,
}
