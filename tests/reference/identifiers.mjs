// Writes the table of identifiers and IBANs that other libraries take for valid or not.
// Use: node identifiers.mjs [--check]     (--check compares with the committed table instead of writing it)
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const require = createRequire(new URL('../../web/package.json', import.meta.url));
const vat = require('jsvat');
const { countrySpecs, isValidIBAN } = require('ibantools');

let seed = 20260316;
const next = (n) => {
  seed = (Math.imul(seed, 1103515245) + 12345) & 0x7fffffff;
  return (seed >> 8) % n;
};
const digits = (n) => Array.from({ length: n }, () => next(10)).join('');
const letter = (to) => String.fromCharCode(65 + next(to));

// Each kind with the library's country and a number of its form whose last digits are still to come.
const kinds = {
  'VAT-GB': [vat.unitedKingdom, () => `GB${digits(7)}`, 2],
  'VAT-IE': [vat.ireland, () => `IE${digits(7)}`, 0],
  'VAT-DE': [vat.germany, () => `DE${1 + next(9)}${digits(7)}`, 1],
  'VAT-FR': [vat.france, () => `FR${digits(9)}`, 2],
  'VAT-NL': [vat.netherlands, () => `NL${digits(8)}`, 1],
  'VAT-BE': [vat.belgium, () => `BE0${1 + next(9)}${digits(6)}`, 2],
  'VAT-IT': [vat.italy, () => `IT${digits(7)}0${10 + next(80)}`, 1],
  'VAT-DK': [vat.denmark, () => `DK${1 + next(9)}${digits(6)}`, 1],
};
const rows = ['scheme,number,valid'];
for (const [scheme, [country, base, open]] of Object.entries(kinds)) {
  for (let i = 0; i < 24; i++) {
    const start = base();
    const ends = scheme === 'VAT-IE' ? Array.from({ length: 23 }, (_, k) => String.fromCharCode(65 + k)) : Array.from({ length: 10 ** open }, (_, k) => String(k).padStart(open, '0'));
    const numbers = ends.map((end) => start + end + (scheme === 'VAT-NL' ? 'B01' : ''));
    const valid = numbers.filter((n) => vat.checkVAT(n, [country]).isValid);
    for (const n of valid.slice(0, 2)) rows.push(`${scheme},${n},true`);
    const other = numbers[next(numbers.length)];
    rows.push(`${scheme},${other},${vat.checkVAT(other, [country]).isValid}`);
  }
}
// Eighteen-character British and German numbers; the check digits are tried through.
for (let i = 0; i < 24; i++) {
  const [country, rest] = i % 2 === 0 ? ['GB', `${letter(26)}${letter(26)}${letter(26)}${letter(26)}${digits(14)}`] : ['DE', digits(18)];
  for (let k = 2; k < 99; k++) {
    const iban = `${country}${String(k).padStart(2, '0')}${rest}`;
    if (isValidIBAN(iban)) rows.push(`IBAN,${iban},true`, `IBAN,${country}${String((k % 97) + 1).padStart(2, '0')}${rest},${isValidIBAN(`${country}${String((k % 97) + 1).padStart(2, '0')}${rest}`)}`);
  }
}
// One of each country at its length and one character longer, both with right check digits: only the first is one.
const mod97 = (text) => [...text].reduce((rest, c) => Number(`${rest}${parseInt(c, 36)}`) % 97, 0);
const checked = (country, rest) => {
  const digits = String(98 - mod97(`${rest}${country}00`)).padStart(2, '0');
  return `${country}${digits}${rest}`;
};
for (const [country, { chars }] of Object.entries(countrySpecs).sort()) {
  if (!chars) continue;
  const iban = checked(country, '0'.repeat(chars - 4));
  rows.push(`IBAN-LENGTH,${iban},true`, `IBAN-LENGTH,${checked(country, '0'.repeat(chars - 3))},false`);
}
const file = new URL('identifiers.csv', import.meta.url);
const text = rows.join('\n') + '\n';
if (!process.argv.includes('--check')) writeFileSync(file, text);
else if (readFileSync(file, 'utf8') !== text) {
  console.error('identifiers.csv is not what the libraries give');
  process.exit(1);
}
