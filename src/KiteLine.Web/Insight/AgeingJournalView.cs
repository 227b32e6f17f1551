using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Journal">What stands on the customers' accounts of the journal, by posting date.</param>
/// <param name="Difference">What the ageing shows less what the journal shows: opened before the books began, or posted
/// with a value date to come.</param>
internal sealed record AgeingJournalView(string Currency, MoneySum Journal, MoneySum Difference);
