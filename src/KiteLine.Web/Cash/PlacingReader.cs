using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Reads what money that came in could settle, on the account that is recognised or on a chosen one.</summary>
internal static class PlacingReader
{
    /// <param name="payer">Null where nobody is recognised.</param>
    /// <param name="chosen">Code of the account that was chosen; null for the one recognised.</param>
    internal static PlacingView Read(
        SqliteConnection connection,
        Desk desk,
        IncomingMoney money,
        RecognisedPayer? payer,
        string? chosen
    )
    {
        if ((chosen ?? payer?.Account) is not { } code)
            return PlacingView.Nobody;
        var account = AccountStore.Get(connection, code);
        var rules = desk.Rules(connection);
        var target = desk.Receipts.Target(connection, account, money.ValueDate, rules);
        var items = target.Items(money.ValueDate, rules.Rounding);
        var details = target.Open.ToDictionary(d => d.Item.Id);
        var proposal = ReferenceEquals(account.Currency, money.Amount.Currency)
            ? target.Propose(money, rules.Rounding)
            : null;
        var known = payer?.Account == account.Code ? payer : null;
        return new(
            account.Code,
            account.Name,
            known?.Why ?? "",
            [
                .. PaymentProposal
                    .Of(null, money.ValueDate, money.Remittance, target, [], rules.Rounding)
                    .Named.Select(n => new NamedItemView(n.Item, n.At.From, n.At.To)),
            ],
            proposal?.Rule,
            proposal?.Why ?? "",
            proposal is null ? 0 : Math.Min(proposal.Confidence, known?.MostConfidence ?? 1),
            [.. (proposal?.Chosen ?? []).Select(i => i.ItemId)],
            [.. items.Select(i => OpenItemView.Of(details[i.ItemId], i, money.ValueDate))]
        );
    }
}
