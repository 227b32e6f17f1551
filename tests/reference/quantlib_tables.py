"""Writes the tables of day counts and dates that the core is held against, computed by QuantLib.

Use: python3 quantlib_tables.py [--check]     (--check compares with the committed tables instead of writing them)
"""

import csv
import io
import pathlib
import random
import sys

import QuantLib as ql

HERE = pathlib.Path(__file__).parent
CONVENTIONS = {
    "act/365f": ql.Actual365Fixed(),
    "act/360": ql.Actual360(),
    "act/act-isda": ql.ActualActual(ql.ActualActual.ISDA),
    "30/360": ql.Thirty360(ql.Thirty360.BondBasis),
    "30e/360": ql.Thirty360(ql.Thirty360.EurobondBasis),
}


def iso(d):
    return f"{d.year():04d}-{d.month():02d}-{d.dayOfMonth():02d}"


def table(rows, header):
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(header)
    writer.writerows(rows)
    return out.getvalue()


def day_counts(rng):
    base = ql.Date(1, 1, 2015)
    # Month ends and leap days are where conventions differ, so half of the dates are drawn from them.
    special = [ql.Date.endOfMonth(base + i * 30) for i in range(160)] + [ql.Date(29, 2, 2016), ql.Date(29, 2, 2020), ql.Date(29, 2, 2024), ql.Date(1, 3, 2023), ql.Date(28, 2, 2023)]
    for _ in range(400):
        a, b = (rng.choice(special) if rng.random() < 0.5 else base + rng.randrange(5000) for _ in range(2))
        start, end = min(a, b), max(a, b)
        for name, convention in CONVENTIONS.items():
            yield [iso(start), iso(end), name, convention.dayCount(start, end), f"{convention.yearFraction(start, end):.14f}"]


def months(rng):
    base = ql.Date(1, 1, 2019)
    weekends = ql.WeekendsOnly()
    for _ in range(300):
        d = base + rng.randrange(3000)
        if rng.random() < 0.4:
            d = ql.Date.endOfMonth(d)
        n = rng.randrange(0, 25)
        moved = d + ql.Period(n, ql.Months)
        yield [iso(d), n, iso(moved), iso(ql.Date.endOfMonth(d)), iso(weekends.adjust(d, ql.Following)), iso(weekends.adjust(d, ql.Preceding))]


def main():
    rng = random.Random(365)
    made = {
        "day-counts.csv": table(day_counts(rng), ["start", "end", "convention", "days", "fraction"]),
        "months.csv": table(months(rng), ["date", "months", "moved", "month_end", "next_business_day", "previous_business_day"]),
    }
    for name, text in made.items():
        path = HERE / name
        if "--check" not in sys.argv:
            path.write_text(text)
        elif path.read_text() != text:
            sys.exit(f"{name} is not what QuantLib gives")


main()
