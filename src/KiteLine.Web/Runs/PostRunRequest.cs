namespace KiteLine.Web;

/// <param name="Send">Whether the documents go out to the customers by the way each wants; reminders always do.</param>
internal sealed record PostRunRequest(bool? Send = null);
