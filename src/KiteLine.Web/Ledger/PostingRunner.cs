using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Carries out a posting request, or shows what it would do.</summary>
internal static class PostingRunner
{
    /// <param name="show">What it would do: reads and decides, writes nothing and holds no lock.</param>
    /// <param name="post">Does it in one transaction.</param>
    /// <param name="more">What the answer says beyond journal and account.</param>
    internal static EffectView RunBoth<TShown, TPosted>(
        Desk desk,
        HttpContext context,
        bool? preview,
        Func<SqliteConnection, BooksRules, Effect<TShown>> show,
        Func<Tx, Effect<TPosted>> post,
        Func<Effect<TShown>, EffectView, EffectView>? moreShown = null,
        Func<Effect<TPosted>, EffectView, EffectView>? morePosted = null
    )
    {
        if (preview is true)
        {
            return desk.Books.Read(connection =>
            {
                var effect = show(connection, desk.Rules(connection));
                var view = View(effect, true, CompanyStore.Settings(connection));
                return moreShown?.Invoke(effect, view) ?? view;
            });
        }

        return desk.Write(
            context,
            tx =>
            {
                var effect = post(tx);
                var view = View(effect, false, CompanyStore.Settings(tx.Connection));
                return morePosted?.Invoke(effect, view) ?? view;
            }
        );
    }

    /// <summary>For postings whose detail is the same shown and posted.</summary>
    internal static EffectView Run<T>(
        Desk desk,
        HttpContext context,
        bool? preview,
        Func<SqliteConnection, BooksRules, Effect<T>> show,
        Func<Tx, Effect<T>> post,
        Func<Effect<T>, EffectView, EffectView>? more = null
    ) => RunBoth(desk, context, preview, show, post, more, more);

    /// <summary>An effect without what is of one kind of posting alone.</summary>
    internal static EffectView View<T>(Effect<T> effect, bool preview, CompanySettings settings) =>
        new(
            preview,
            false,
            effect.EntryId,
            effect.Number,
            [.. effect.Journal.Select(l => JournalLineView.Of(l, settings, effect.After.Account.ControlGroup))],
            AccountRow.Of(effect.Before, settings.Buckets()),
            AccountRow.Of(effect.After, settings.Buckets()),
            null,
            [],
            [],
            null,
            Warnings: [.. effect.Warnings.Select(WarningView.Of)]
        );
}
