// Writes down what two readers of bank statements find in the file of the simulated bank.
// Use: node statements.mjs [--check]     (--check compares with the committed table instead of writing it)
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const require = createRequire(new URL('../../web/package.json', import.meta.url));
const { parseCamt053 } = require('camt-parser');
const { CashManagementEndOfDayReport } = await import(
  new URL('../../web/node_modules/iso20022.js/dist/index.mjs', import.meta.url)
);
const xml = readFileSync(new URL('statement.xml', import.meta.url), 'utf8');

const list = (values) => values.filter((v) => v !== undefined && v !== '').join(' / ');
const rows = ['reader,row,reference,side,amount,date,payments,own references,payers,text'];
const row = (...cells) => rows.push(cells.map((c) => (/[",]/.test(`${c}`) ? `"${`${c}`.replaceAll('"', '""')}"` : c)).join(','));
const minor = (value) => Math.round(Number(value) * 100);

const camt = (await parseCamt053(xml)).statements[0];
for (const b of camt.balances) row('camt-parser', 'balance', b.type, b.creditDebitIndicator, minor(b.amount.value), b.date, '', '', '', '');
for (const t of camt.transactions)
  row(
    'camt-parser',
    'entry',
    t.reference,
    t.creditDebitIndicator,
    minor(t.amount.value),
    t.bookingDate,
    t.details.length,
    list(t.details.map((d) => d.references.accountServicerReference)),
    '',
    '',
  );

const side = (s) => (s === 'credit' ? 'CRDT' : 'DBIT');
const day = (date) => date.toISOString().slice(0, 10);
const statement = CashManagementEndOfDayReport.fromXML(xml).statements[0];
for (const b of statement.balances) row('iso20022.js', 'balance', b.type, side(b.creditDebitIndicator), Math.round(b.amount), day(b.date), '', '', '', '');
for (const e of statement.entries)
  row(
    'iso20022.js',
    'entry',
    e.referenceId,
    side(e.creditDebitIndicator),
    Math.round(e.amount),
    day(e.bookingDate),
    e.transactions.length,
    list(e.transactions.map((t) => t.accountServicerReferenceId)),
    list(e.transactions.map((t) => (t.debtor ?? t.creditor)?.account?.iban)),
    list(e.transactions.flatMap((t) => t.remittanceInformation ?? [])),
  );

const table = new URL('statement.csv', import.meta.url);
const text = `${rows.join('\n')}\n`;
if (process.argv.includes('--check')) {
  if (readFileSync(table, 'utf8') !== text) {
    console.error('statement.csv is not what the two readers find in statement.xml');
    process.exit(1);
  }
} else writeFileSync(table, text);
