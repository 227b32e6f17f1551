namespace KiteLine.Core;

/// <summary>How a request for a limit or an uplift stands.</summary>
public enum RequestState
{
    Asked,
    Approved,
    Refused,
    Withdrawn,
    Expired,
}
