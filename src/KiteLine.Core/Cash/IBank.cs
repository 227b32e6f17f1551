namespace KiteLine.Core;

/// <summary>The company's bank, as far as it gives statements of the company's accounts.</summary>
public interface IBank
{
    /// <summary>
    /// The statement of one day as a camt.053 file; null where nothing moved on that day. What it gave once it gives
    /// again under the same identification.
    /// </summary>
    /// <param name="account">The company's bank account.</param>
    /// <param name="opening">What was on it before the day.</param>
    byte[]? StatementOf(string account, Money opening, DateOnly day);
}
