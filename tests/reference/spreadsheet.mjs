// Writes the table of year fractions, effective costs and month ends computed by a spreadsheet function library.
// Use: node spreadsheet.mjs [--check]     (--check compares with the committed table instead of writing it)
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';

process.env.TZ = 'UTC';

const require = createRequire(new URL('../../web/package.json', import.meta.url));
const { YEARFRAC, DAYS360, EDATE, EOMONTH, EFFECT } = require('@formulajs/formulajs');
const currencies = require('currency-codes/data');

let seed = 20260316;
const next = (n) => {
  seed = (Math.imul(seed, 1103515245) + 12345) & 0x7fffffff;
  return seed % n;
};
const date = (days) => new Date(2015, 0, 1 + days, 12);
const iso = (d) => `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;
const asDate = (v) => (v instanceof Date ? v : new Date(Date.UTC(1899, 11, 30) + v * 86400000));

// Bases of YEARFRAC: 2 is actual/360, 3 is actual/365, 4 is 30E/360.
const rows = ['kind,a,b,value'];
for (let i = 0; i < 150; i++) {
  const [x, y] = [next(4000), next(4000)].sort((a, b) => a - b);
  const [a, b] = [date(x), date(y)];
  rows.push(`act/360,${iso(a)},${iso(b)},${YEARFRAC(a, b, 2).toFixed(12)}`);
  rows.push(`act/365f,${iso(a)},${iso(b)},${YEARFRAC(a, b, 3).toFixed(12)}`);
  rows.push(`30e/360,${iso(a)},${iso(b)},${(DAYS360(a, b, true) / 360).toFixed(12)}`);
}
for (let i = 0; i < 60; i++) {
  const [a, n] = [date(next(4000)), next(24)];
  rows.push(`edate,${iso(a)},${n},${iso(asDate(EDATE(a, n)))}`);
  rows.push(`eomonth,${iso(a)},0,${iso(asDate(EOMONTH(a, 0)))}`);
}
// EFFECT gives the effective rate of a nominal one with whole periods; 365 / days is whole for these.
for (const percent of [0.5, 1, 1.5, 2, 2.5, 3, 5]) {
  for (const days of [1, 5, 73]) {
    const d = percent / 100;
    const periods = 365 / days;
    rows.push(`effective,${percent},${days},${EFFECT((d / (1 - d)) * periods, periods).toPrecision(12)}`);
  }
}
const made = {
  'spreadsheet.csv': rows.join('\n') + '\n',
  'currencies.csv': 'code,decimals\n' + currencies.map((c) => `${c.code},${c.digits}`).join('\n') + '\n',
};
for (const [name, text] of Object.entries(made)) {
  const file = new URL(name, import.meta.url);
  if (!process.argv.includes('--check')) writeFileSync(file, text);
  else if (readFileSync(file, 'utf8') !== text) {
    console.error(`${name} is not what the library gives`);
    process.exit(1);
  }
}
