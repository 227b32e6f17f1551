using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Reads what the bank took for a payment that came back.</summary>
internal static class BankFee
{
    /// <param name="text">As it was given; empty for none.</param>
    internal static Func<Currency, Money?>? Of(string? text) =>
        string.IsNullOrWhiteSpace(text)
            ? null
            : currency =>
            {
                var fields = new Fields();
                var fee = fields.Money("bankFee", text, currency);
                fields.ThrowIfAny();
                return fee;
            };
}
