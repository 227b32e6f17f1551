using System.Runtime.InteropServices;
using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record MovementShape(string? Date, string? Amount);

internal sealed record RateShape(string? From, string? AnnualRate);

internal sealed record BandShape(string? Above, string? AnnualRate);

/// <summary>A late-charge policy as JSON.</summary>
internal sealed record LateChargePolicyShape(
    string? Label, IReadOnlyList<RateShape>? Rates, string? DayCount, int? WaitDays, string? CountFrom, IReadOnlyList<BandShape>? Bands,
    string? Minimum, string? BelowMinimum, string? Maximum, bool? ShownOnly)
{
    internal static LateChargePolicyShape Of(LateChargePolicy p) => new(
        p.Label, [.. p.Rates.Select(r => new RateShape($"{r.From:yyyy-MM-dd}", Exactly.Plain(r.AnnualRate)))], p.DayCount.Name, p.WaitDays, Fields.Name(p.CountFrom),
        [.. p.Bands.Select(b => new BandShape(Exactly.Figure(b.Above, 2, 4), Exactly.Plain(b.AnnualRate)))],
        p.Minimum is { } least ? Exactly.Figure(least, 2, 4) : null, Fields.Name(p.BelowMinimum), p.Maximum is { } most ? Exactly.Figure(most, 2, 4) : null, p.ShownOnly);

    /// <summary>Reads and checks the policy; problems are reported under <paramref name="at"/>.</summary>
    internal LateChargePolicy Read(string at, Fields fields)
    {
        const string Rate = "a rate in percent a year, such as 8";
        var dayCount = Core.DayCount.Find(DayCount);
        if (dayCount is null) fields.Bad($"{at}dayCount", $"Choose one of {string.Join(", ", Core.DayCount.All)}.");
        var policy = new LateChargePolicy
        {
            Label = string.IsNullOrWhiteSpace(Label) ? "Late charge" : Label.Trim(),
            Rates = [.. (Rates ?? []).Select((r, i) => new RateRow(fields.Date($"{at}rates[{i}].from", r.From), fields.Number($"{at}rates[{i}].annualRate", r.AnnualRate, 0, 1000, Rate)))],
            DayCount = dayCount ?? Core.DayCount.Of("act/365f"),
            WaitDays = WaitDays ?? 0,
            CountFrom = fields.Choice($"{at}countFrom", CountFrom, (CountFrom?)Core.CountFrom.DueDate),
            Bands = [.. (Bands ?? []).Select((b, i) => new RateBand(
                fields.Number($"{at}bands[{i}].above", b.Above, 0, 1_000_000_000_000, "an amount such as 5000.00"),
                fields.Number($"{at}bands[{i}].annualRate", b.AnnualRate, 0, 1000, Rate)))],
            Minimum = fields.OptionalNumber($"{at}minimum", Minimum, 0, 1_000_000_000, "an amount such as 0.50"),
            BelowMinimum = fields.Choice($"{at}belowMinimum", BelowMinimum, (BelowMinimum?)Core.BelowMinimum.Raise),
            Maximum = fields.OptionalNumber($"{at}maximum", Maximum, 0, 1_000_000_000_000, "an amount such as 250.00"),
            ShownOnly = ShownOnly ?? false,
        };
        foreach (var (field, message) in policy.Problems()) fields.Bad(at + field, message);
        return policy;
    }
}

internal sealed record LateChargeRequest(
    string? Currency, string? Amount, string? DueDate, IReadOnlyList<MovementShape>? Movements, string? ChargedThrough, string? Through, LateChargePolicyShape? Policy);

internal sealed record SegmentLine(string From, string To, int Days, string Balance, string AnnualRate, string Fraction, string Amount)
{
    internal static SegmentLine Of(ChargeSegment s, Currency currency) => new(
        $"{s.From:yyyy-MM-dd}", $"{s.To:yyyy-MM-dd}", s.Days, $"{Money.Round(s.Balance, currency)}", Exactly.Plain(s.AnnualRate), Exactly.Figure(s.Fraction, 12, 20), Exactly.Figure(s.Amount, 6, 12));
}

internal sealed record LateChargeAnswer(string Total, IReadOnlyList<SegmentLine> Segments, IReadOnlyList<Working> Workings);

/// <summary>The late charge of one item by the daily method.</summary>
internal static class LateChargeCalculator
{
    internal static LateChargeAnswer Calculate(LateChargeRequest request)
    {
        var fields = new Fields();
        var currency = fields.Currency("currency", request.Currency);
        var amount = fields.Money("amount", request.Amount, currency);
        var due = fields.Date("dueDate", request.DueDate);
        var through = fields.Date("through", request.Through);
        var charged = fields.OptionalDate("chargedThrough", request.ChargedThrough);
        var changes = (request.Movements ?? []).Select((m, i) => new BalanceChange(
            fields.Date($"movements[{i}].date", m.Date), fields.Money($"movements[{i}].amount", m.Amount, currency, signed: true).Amount)).ToList();
        var policy = request.Policy?.Read("policy.", fields);
        if (policy is null) fields.Bad("policy", "Give the policy: rates and dayCount at least.");
        fields.ThrowIfAny();

        changes.Sort((a, b) => a.Date.CompareTo(b.Date));
        var segments = new List<ChargeSegment>();
        DailyMethod.Accrue(policy!, amount.Amount, CollectionsMarshal.AsSpan(changes), due, charged, through, segments);
        var total = DailyMethod.Total(policy!, segments, currency);
        return new($"{total}", [.. segments.Select(s => SegmentLine.Of(s, currency))], [.. ChargeWorkings.Of(policy!, segments, total)]);
    }
}
