using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Carries out a posting request: as a rehearsal for the preview, or once for good.</summary>
internal static class PostingRunner
{
    /// <summary>
    /// Runs <paramref name="act"/>. A request that was sent before with the same <c>Idempotency-Key</c> is not carried
    /// out again: its first outcome is told.
    /// </summary>
    internal static EffectView Run<TBody, TDetail>(
        Desk desk, HttpContext context, string account, bool preview, TBody body, Func<Tx, DateOnly, RequestKey?, Effect<TDetail>> act, Func<Effect<TDetail>, EffectView, EffectView>? more = null)
    {
        var key = preview ? null : RequestKey.Of(context.Request.Headers["Idempotency-Key"], context.Request.Path + JsonSerializer.Serialize(body));
        EffectView Work(Tx tx)
        {
            var settings = CompanyStore.Settings(tx.Connection);
            var today = desk.Today(settings);
            if (RequestKey.Earlier(tx, key) is { } earlier) return SentBefore(tx, account, earlier, today, settings);
            var effect = act(tx, today, key);
            var view = new EffectView(preview, false, preview ? 0 : effect.EntryId, preview ? null : effect.Number,
                [.. effect.Journal.Select(l => JournalLineView.Of(l, settings))], AccountRow.Of(effect.Before, settings.Buckets()), AccountRow.Of(effect.After, settings.Buckets()),
                null, [], [], null);
            return more?.Invoke(effect, view) ?? view;
        }

        return preview ? desk.Books.Rehearse(context.Who(), Work) : desk.Books.Write(context.Who(), Work);
    }

    private static EffectView SentBefore(Tx tx, string code, long entry, DateOnly today, CompanySettings settings)
    {
        var account = AccountStore.Get(tx.Connection, code);
        var row = LedgerView.OfAccount(tx.Connection, account).First(r => r.EntryId == entry);
        var position = AccountRow.Of(AccountPosition.On(BookLoader.Load(tx.Connection, [account.Id])[0], today, settings.ExposureOn(today), settings.Buckets()), settings.Buckets());
        return new(false, true, entry, row.Number, [.. LedgerView.Journal(tx.Connection, entry).Select(l => JournalLineView.Of(l, settings))], position, position, null, [], [], null);
    }
}
