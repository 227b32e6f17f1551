namespace KiteLine.Core;

/// <summary>
/// What measures are made of, added up over accounts in one currency, in minor units: as the books showed it at the ends of
/// the days that bound a period.
/// </summary>
internal sealed class MeasureSums(MeasuredPeriod period)
{
    private readonly Int128[] _sales = new Int128[period.MonthEnds.Count];

    internal Int128 Start { get; private set; }
    internal Int128 End { get; private set; }
    internal Int128 NotDue { get; private set; }

    /// <summary>Invoices less credit notes, month by month.</summary>
    internal IReadOnlyList<Int128> Sales => _sales;

    internal Int128 Paid { get; private set; }
    internal Int128 PaidDaysToPay { get; private set; }
    internal Int128 PaidDaysLate { get; private set; }
    internal Int128 ChargesRaised { get; private set; }
    internal Int128 ChargesPaid { get; private set; }
    internal Int128 ChargesReversed { get; private set; }
    internal Int128 ChargesOpen { get; private set; }

    internal void Add(BookAccount account)
    {
        account = account.WithDuesOn(period.To);
        foreach (ref readonly var item in account.Items.AsSpan())
            Add(account, item);
    }

    /// <summary>
    /// Adds what of an invoice was paid before the books began: it was sold all the same.
    /// </summary>
    internal void AddSold(DateOnly day, long minor)
    {
        if (period.Holds(day))
            _sales[period.MonthOf(day)] += minor;
    }

    internal void Add(MeasureSums other)
    {
        for (var i = 0; i < _sales.Length; i++)
            _sales[i] += other._sales[i];
        Start += other.Start;
        End += other.End;
        NotDue += other.NotDue;
        Paid += other.Paid;
        PaidDaysToPay += other.PaidDaysToPay;
        PaidDaysLate += other.PaidDaysLate;
        ChargesRaised += other.ChargesRaised;
        ChargesPaid += other.ChargesPaid;
        ChargesReversed += other.ChargesReversed;
        ChargesOpen += other.ChargesOpen;
    }

    private void Add(BookAccount account, in BookItem item)
    {
        long end = 0;
        foreach (ref readonly var m in account.Movements.AsSpan(item.FirstMovement, item.Movements))
        {
            if (MeasuredMovement.Of(item, m) is { } counts && period.Holds(counts.Day))
                Add(item, counts);
            var shown = m.ShownFrom;
            if (shown <= period.To)
                end += m.Minor;
            if (shown < period.From)
                Start += m.Minor;
        }

        End += end;
        if (MeasuredMovement.CountsTo(MeasuredPart.NotDue, item, period))
            NotDue += end;
        if (MeasuredMovement.CountsTo(MeasuredPart.ChargesOpen, item, period))
            ChargesOpen += end;
    }

    private void Add(in BookItem item, MeasuredMovement m)
    {
        switch (m.Part)
        {
            case MeasuredPart.Sales:
                _sales[period.MonthOf(m.Day)] += m.Minor;
                break;
            case MeasuredPart.Paid:
                Paid += m.Minor;
                PaidDaysToPay += (Int128)m.Minor * (m.Day.DayNumber - item.Date.DayNumber);
                PaidDaysLate += (Int128)m.Minor * (m.Day.DayNumber - item.Due.DayNumber);
                break;
            case MeasuredPart.ChargesRaised:
                ChargesRaised += m.Minor;
                break;
            case MeasuredPart.ChargesPaid:
                ChargesPaid += m.Minor;
                break;
            case MeasuredPart.ChargesReversed:
                ChargesReversed += m.Minor;
                break;
            default:
                throw new InvalidOperationException($"A movement counts to {m.Part}.");
        }
    }
}
