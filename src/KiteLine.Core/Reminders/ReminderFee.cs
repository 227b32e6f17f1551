using System.Text.Json.Serialization;

namespace KiteLine.Core;

/// <summary>
/// How the fee of a reminder is reckoned. A closed set of four; amounts are in major units of the base currency.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "basis")]
[JsonDerivedType(typeof(PerLetter), "perLetter")]
[JsonDerivedType(typeof(PerItem), "perItem")]
[JsonDerivedType(typeof(Percent), "percent")]
[JsonDerivedType(typeof(ByBand), "byBand")]
public abstract record ReminderFee
{
    private ReminderFee() { }

    /// <summary>The fee of a letter, not rounded.</summary>
    /// <param name="items">How many items move.</param>
    /// <param name="overdue">What it is measured on: the overdue invoices that move, in major units.</param>
    public abstract decimal Of(int items, decimal overdue);

    /// <summary>The reckoning in words, for workings.</summary>
    public abstract string Explain(int items, decimal overdue);

    /// <summary>What is wrong, as field and sentence; empty when it can be used.</summary>
    public abstract IEnumerable<(string Field, string Message)> Problems();

    /// <summary>The same sum for every letter.</summary>
    public sealed record PerLetter(decimal Amount) : ReminderFee
    {
        /// <inheritdoc/>
        public override decimal Of(int items, decimal overdue) => Amount;

        /// <inheritdoc/>
        public override string Explain(int items, decimal overdue) => "fixed per letter";

        /// <inheritdoc/>
        public override IEnumerable<(string Field, string Message)> Problems() => Positive("amount", Amount);
    }

    /// <summary>A sum for each item the letter reminds of; items it only lists are not counted.</summary>
    public sealed record PerItem(decimal Amount) : ReminderFee
    {
        /// <inheritdoc/>
        public override decimal Of(int items, decimal overdue) => Amount * items;

        /// <inheritdoc/>
        public override string Explain(int items, decimal overdue) => $"{items} × {Exactly.Plain(Amount)} an item";

        /// <inheritdoc/>
        public override IEnumerable<(string Field, string Message)> Problems() => Positive("amount", Amount);
    }

    /// <summary>A percentage of what is overdue.</summary>
    public sealed record Percent(decimal Rate) : ReminderFee
    {
        /// <inheritdoc/>
        public override decimal Of(int items, decimal overdue) => overdue * Rate / 100;

        /// <inheritdoc/>
        public override string Explain(int items, decimal overdue) =>
            $"{Exactly.Plain(overdue)} × {Exactly.Plain(Rate)} %";

        /// <inheritdoc/>
        public override IEnumerable<(string Field, string Message)> Problems()
        {
            if (Rate is <= 0 or > 100)
                yield return ("rate", "A percentage is above 0 and at most 100.");
        }
    }

    /// <summary>A sum by what is overdue.</summary>
    /// <param name="Bands">In rising order of amounts, the first from 0.</param>
    public sealed record ByBand(IReadOnlyList<FeeBand> Bands) : ReminderFee
    {
        /// <inheritdoc/>
        public override decimal Of(int items, decimal overdue) =>
            Bands.LastOrDefault(b => overdue >= b.From)?.Amount ?? 0;

        /// <inheritdoc/>
        public override string Explain(int items, decimal overdue) =>
            $"from {Exactly.Plain(Bands.LastOrDefault(b => overdue >= b.From)?.From ?? 0)} overdue on";

        /// <inheritdoc/>
        public override IEnumerable<(string Field, string Message)> Problems()
        {
            if (Bands.Count == 0)
                yield return ("bands", "Give at least one band.");
            for (var i = 0; i < Bands.Count; i++)
            {
                if (Bands[i].Amount < 0)
                    yield return ($"bands[{i}].amount", "A fee is not negative.");
                if (i == 0 && Bands[i].From != 0)
                    yield return ("bands[0].from", "The first band holds from 0 on.");
                if (i > 0 && Bands[i].From <= Bands[i - 1].From)
                    yield return ($"bands[{i}].from", "Bands stand in rising order of their amounts.");
            }
        }
    }

    private static IEnumerable<(string Field, string Message)> Positive(string field, decimal amount)
    {
        if (amount <= 0)
            yield return (field, "A fee is above zero; a level without one has none.");
    }
}
