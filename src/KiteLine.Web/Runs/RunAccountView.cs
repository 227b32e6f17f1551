using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>One account of a run.</summary>
/// <param name="Amount">What is raised, with its tax; or what the letter asks for.</param>
/// <param name="Tax">The tax within the amount of a late charge.</param>
/// <param name="Fee">The fee that a letter asks for.</param>
/// <param name="Interest">The late charge that a letter states, with its tax.</param>
/// <param name="Level">The level of a letter; 0 for none.</param>
/// <param name="Reason">Why it is left out, was changed or failed; empty otherwise.</param>
/// <param name="CanTakeIn">Whether it can be taken in although the rules leave it out.</param>
/// <param name="Document">Number of the charge document or reminder that was posted.</param>
/// <param name="Entry">Its posting; null before, and of a reminder.</param>
internal sealed record RunAccountView(
    string Account,
    string Name,
    RunLineState State,
    Money Amount,
    Money Tax,
    Money Fee,
    Money Interest,
    int Level,
    DateOnly? PayBy,
    string Reason,
    bool CanTakeIn,
    string? Document,
    long? Entry,
    IReadOnlyList<RunItemView> Items,
    IReadOnlyList<RunItemView> ItemsLeftOut
)
{
    internal static RunAccountView Of(
        StoredRunLine line,
        IReadOnlyDictionary<long, (string Document, DateOnly Due)> items
    ) =>
        new(
            line.Account,
            line.Name,
            line.State,
            line.Line.Amount,
            line.Line.Tax,
            line.Line.Fee,
            line.Line.Interest,
            line.Line.Level,
            line.Line.PayBy,
            line.Reason,
            line.Line.CanTakeIn && line.State == RunLineState.LeftOut,
            line.Document,
            line.Entry,
            [.. line.Line.Items.Select(i => RunItemView.Of(i, items))],
            [.. line.Line.ItemsLeftOut.Select(i => RunItemView.Of(i, items))]
        );
}
