namespace KiteLine.Core;

/// <summary>
/// How sales to a customer are taxed: a rate for every time, in parts for the authorities it goes to.
/// </summary>
public sealed record TaxCode
{
    /// <summary>In rising order of dates. Before the first nothing is known and nothing is taxed.</summary>
    public required IReadOnlyList<TaxRate> Rates { get; init; }

    /// <summary>Whether freight on an invoice is taxed like the goods.</summary>
    public bool FreightTaxed { get; init; } = true;

    /// <summary>The rate on a day, or null before the first.</summary>
    public TaxRate? On(DateOnly day) => Dated.InForce(Rates, r => r.From, day);

    /// <summary>
    /// The tax on an invoice: rounded once as a whole, then shared over the components so that they add up to it.
    /// </summary>
    /// <param name="goods">Net amount without freight.</param>
    /// <param name="freight">Net freight.</param>
    /// <exception cref="ArgumentException">No rate is known for the day.</exception>
    public TaxSplit Of(Money goods, Money freight, DateOnly day, RoundingRule rounding)
    {
        var rate = On(day) ?? throw new ArgumentException($"No rate is known for {Exactly.Day(day)}.", nameof(day));
        var taxed = FreightTaxed ? goods + freight : goods;
        var whole = Money.Round(taxed.Amount * rate.Percent / 100, goods.Currency, rounding);
        var shares =
            rate.Percent == 0
                ? rate.Components.Select(_ => Money.Zero(goods.Currency)).ToArray()
                : Shares.InProportion(whole, [.. rate.Components.Select(c => c.Percent)], rounding);
        return new(taxed, whole, [.. rate.Components.Zip(shares, (component, amount) => (component, amount))]);
    }

    /// <summary>What is wrong, as field and sentence; empty when it can be used.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        if (Rates.Count == 0)
            yield return ("rates", "Give at least one rate with the day it holds from.");
        for (var i = 0; i < Rates.Count; i++)
        {
            var (at, rate) = ($"rates[{i}]", Rates[i]);
            if (i > 0 && rate.From <= Rates[i - 1].From)
                yield return ($"{at}.from", "Rates stand in rising order of their dates, one for a date.");
            if (rate.Percent is < 0 or > 100)
                yield return ($"{at}.percent", "A tax rate is 0 to 100 percent.");
            if (rate.Components.Count == 0)
                yield return ($"{at}.components", "Name at least one authority with its part of the rate.");
            for (var j = 0; j < rate.Components.Count; j++)
            {
                if (string.IsNullOrWhiteSpace(rate.Components[j].Authority))
                    yield return ($"{at}.components[{j}].authority", "Name the authority.");
                if (rate.Components[j].Percent is < 0 or > 100)
                    yield return ($"{at}.components[{j}].percent", "A part is 0 to 100 percent.");
            }

            var sum = rate.Components.Sum(c => c.Percent);
            if (sum != rate.Percent)
                yield return (
                    $"{at}.percent",
                    $"The parts add up to {Exactly.Plain(sum)} %, not to {Exactly.Plain(rate.Percent)} %."
                );
        }
    }
}
