using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>What-ifs as they are told.</summary>
internal static class WhatIfViews
{
    /// <param name="accounts">Whether the accounts that differ most are told too.</param>
    internal static WhatIfView Of(StoredWhatIf w, SqliteConnection connection, Desk desk, bool accounts = true)
    {
        var (d, book) = (w.Definition, desk.Snapshots.Current);
        var (r, fields) = (w.Result, new Fields());
        var currency = r is null ? book.Rates.Base : Currency.Of(r.Currency);
        return new(
            w.Id,
            w.Name,
            d.From,
            d.To,
            d.Within,
            InsightScope.Read(d.Within, null, d.To, book, fields).Words,
            d.Terms?.Code ?? "",
            d.LateCharges?.Code ?? "",
            d.Reminders?.Code ?? "",
            Plain(d.LimitPercent),
            d.Responses is null ? null : ResponsesShape.Of(d.Responses),
            Plain(d.MovesFrom),
            Plain(d.CostOfCapital),
            w.State,
            desk.WhatIfs.PercentOf(w.Id),
            w.MadeBy,
            w.MadeAt,
            currency.Code,
            r?.Accounts ?? 0,
            r?.Differing ?? 0,
            r?.ByHand ?? 0,
            r?.Unexplained ?? 0,
            r?.WithoutRate ?? [],
            r is null ? null : ReplayFiguresView.Of(r.Happened, currency),
            r is null ? null : ReplayFiguresView.Of(r.Would, currency),
            r is null ? [] : ReplayWorkings.Of(r.Happened, r.Would, currency),
            ReplayWorkings.Assumptions(WhatIfReplay.Change(d, connection, desk)),
            accounts && r is not null ? [.. r.Largest.Select(a => ReplayedAccountView.Of(a, currency))] : [],
            r is null ? null : ReplayFiguresView.Of(r.Would - r.Happened, currency)
        );
    }

    private static string Plain(decimal? value) => value is { } given ? Exactly.Plain(given) : "";
}
