using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What came of a call; each part may be left out, but not all of them.</summary>
/// <param name="Contact">Who was spoken to.</param>
/// <param name="Text">What was said.</param>
/// <param name="CallAgain">The day to call again; until then the account's other entries of Today are put off.</param>
/// <param name="CallAbout">What that call is to be about.</param>
/// <param name="Copies">Items whose documents are sent once more.</param>
/// <param name="Statement">Whether the statement of the account of this month and the one before is sent.</param>
/// <param name="Recipients">For the copies and the statement, separated by semicolons; the customer's own where it is left
/// out.</param>
internal sealed record CallRequest(
    string? Contact,
    [property: MostCharacters(Bounds.Note, Lines = true)] string? Text,
    CallPromiseShape? Promise,
    DisputeRequest? Dispute,
    string? CallAgain,
    [property: MostCharacters(Core.CallAgain.LongestNote)] string? CallAbout,
    [property: MostEntries(CallRequest.MostCopies)] IReadOnlyList<long>? Copies,
    [property: MostCharacters(Bounds.FieldValue)] string? Recipients,
    bool? Statement = null
)
{
    internal const int MostCopies = 20;
}
