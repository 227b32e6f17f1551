// Writes electronic invoices and credit notes (UBL 2.1, EN 16931) with the npm package @e-invoice-eu/core, which checks what it
// is given against the schema of the standard, and a table of what was put into each. All parties are made up.
// Use: node einvoices.mjs [--check]     (--check compares with the committed files instead of writing them)
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const require = createRequire(new URL('../../web/package.json', import.meta.url));
const { InvoiceService } = require('@e-invoice-eu/core');
const silent = { log: () => {}, warn: () => {}, error: console.error };

// Amounts are in cents until they are written.
const euro = (cents) => `${cents < 0 ? '-' : ''}${Math.floor(Math.abs(cents) / 100)}.${String(Math.abs(cents) % 100).padStart(2, '0')}`;
const amount = (name, text) => ({ [`cbc:${name}`]: text, [`cbc:${name}@currencyID`]: 'EUR' });
const category = (percent) => ({
  'cbc:ID': percent === '0' ? 'E' : 'S',
  'cbc:Percent': percent,
  ...(percent === '0' ? { 'cbc:TaxExemptionReason': 'Exempt, made up' } : {}),
  'cac:TaxScheme': { 'cbc:ID': 'VAT' },
});
const withoutReason = ({ 'cbc:TaxExemptionReason': _, ...rest }) => rest;

const cases = [
  { number: 'E-1001', lines: [[2, '50', 10000, '19']], due: '2026-04-01' },
  {
    number: 'E-1002',
    due: '2026-04-15',
    lines: [[3, '33.33', 9999, '19'], [1, '249.99', 24999, '7'], [12, '1.05', 1260, '19']],
    more: [['false', 1500, '19', 'Rebate'], ['true', 990, '19', 'Freight']],
    prepaid: 5000,
  },
  { number: 'E-1003', lines: [[7, '12.34', 8638, '19'], [1, '0.05', 5, '7']], terms: '#SKONTO#TAGE=14#PROZENT=2.00#\n#SKONTO#TAGE=21#PROZENT=1.00#\n', due: '2026-04-01' },
  { number: 'E-1004', lines: [[1, '500', 50000, '0']], terms: '2/10 n/30' },
  { number: 'E-2001', credit: true, names: 'E-1001', lines: [[1, '50', 5000, '19']] },
];

/** One case as the package takes it, and what was put into it. */
function build(c) {
  const taxed = new Map();
  const add = (percent, cents) => taxed.set(percent, (taxed.get(percent) ?? 0) + cents);
  c.lines.forEach(([, , cents, percent]) => add(percent, cents));
  (c.more ?? []).forEach(([charge, cents, percent]) => add(percent, charge === 'true' ? cents : -cents));
  const taxes = [...taxed].map(([percent, base]) => ({ percent, base, tax: Math.round((base * Number(percent)) / 100) }));
  const of = (charge) => (c.more ?? []).filter((m) => m[0] === charge).reduce((sum, m) => sum + m[1], 0);
  const lines = c.lines.reduce((sum, l) => sum + l[2], 0);
  const net = lines - of('false') + of('true');
  const tax = taxes.reduce((sum, t) => sum + t.tax, 0);
  const payable = net + tax - (c.prepaid ?? 0);
  const party = (id, name, country) => ({
    'cac:Party': {
      'cbc:EndpointID': `${id.toLowerCase()}@mail.example`,
      'cbc:EndpointID@schemeID': 'EM',
      ...(id === 'PEL01' ? { 'cac:PartyIdentification': { 'cbc:ID': id } } : {}),
      'cac:PostalAddress': { 'cac:Country': { 'cbc:IdentificationCode': country } },
      'cac:PartyLegalEntity': { 'cbc:RegistrationName': name },
    },
  });
  const invoice = {
    'cbc:ID': c.number,
    'cbc:IssueDate': '2026-03-02',
    ...(c.due ? { 'cbc:DueDate': c.due } : {}),
    'cbc:InvoiceTypeCode': c.credit ? '381' : '380',
    'cbc:DocumentCurrencyCode': 'EUR',
    'cbc:BuyerReference': 'PO 17',
    ...(c.names ? { 'cac:BillingReference': [{ 'cac:InvoiceDocumentReference': { 'cbc:ID': c.names } }] } : {}),
    'cac:AccountingSupplierParty': party('SELL', 'Saltmarsh Cordage & Canvas', 'GB'),
    'cac:AccountingCustomerParty': party('PEL01', 'Pellworm Sail Loft', 'DE'),
    'cac:PaymentMeans': [{ 'cbc:PaymentMeansCode': '30', 'cac:PayeeFinancialAccount': { 'cbc:ID': 'GB08SALT10203012345678' } }],
    ...(c.terms ? { 'cac:PaymentTerms': { 'cbc:Note': c.terms } } : {}),
    ...(c.more
      ? {
          'cac:AllowanceCharge': c.more.map(([charge, cents, percent, reason]) => ({
            'cbc:ChargeIndicator': charge,
            'cbc:AllowanceChargeReason': reason,
            ...amount('Amount', euro(cents)),
            'cac:TaxCategory': category(percent),
          })),
        }
      : {}),
    'cac:TaxTotal': [
      {
        ...amount('TaxAmount', euro(tax)),
        'cac:TaxSubtotal': taxes.map((t) => ({
          ...amount('TaxableAmount', euro(t.base)),
          ...amount('TaxAmount', euro(t.tax)),
          'cac:TaxCategory': category(t.percent),
        })),
      },
    ],
    'cac:LegalMonetaryTotal': {
      ...amount('LineExtensionAmount', euro(lines)),
      ...amount('TaxExclusiveAmount', euro(net)),
      ...amount('TaxInclusiveAmount', euro(net + tax)),
      ...(of('false') ? amount('AllowanceTotalAmount', euro(of('false'))) : {}),
      ...(of('true') ? amount('ChargeTotalAmount', euro(of('true'))) : {}),
      ...(c.prepaid ? amount('PrepaidAmount', euro(c.prepaid)) : {}),
      ...amount('PayableAmount', euro(payable)),
    },
    'cac:InvoiceLine': c.lines.map(([quantity, price, cents, percent], i) => ({
      'cbc:ID': `${i + 1}`,
      'cbc:InvoicedQuantity': `${quantity}`,
      'cbc:InvoicedQuantity@unitCode': 'C62',
      ...amount('LineExtensionAmount', euro(cents)),
      'cac:Item': { 'cbc:Name': `Rope ${i + 1}`, 'cac:ClassifiedTaxCategory': withoutReason(category(percent)) },
      'cac:Price': amount('PriceAmount', price),
    })),
  };
  const row = [
    c.number,
    c.credit ? 'CreditNote' : 'Invoice',
    c.credit ? '' : (c.due ?? ''),
    euro(net),
    euro(tax),
    euro(net + tax),
    euro(payable),
    c.lines.map(([quantity, price, cents]) => `${quantity} x ${price} = ${euro(cents)}`).join(' / '),
    taxes.map((t) => `${t.percent} % of ${euro(t.base)} = ${euro(t.tax)}`).join(' / '),
    (c.terms ?? '').trim().replaceAll('\n', ' '),
    c.names ?? '',
  ];
  return { invoice: { 'ubl:Invoice': invoice }, row: row.join(',') };
}

const files = { 'einvoices.csv': ['number,kind,due,net,tax,gross,payable,lines,taxes,terms,credits'] };
for (const c of cases) {
  const { invoice, row } = build(c);
  files['einvoices.csv'].push(row);
  files[`einvoice-${c.number}.xml`] = [await new InvoiceService(silent).generate(invoice, { format: 'UBL', lang: 'en' })];
}
let off = 0;
for (const [name, lines] of Object.entries(files)) {
  const at = new URL(name, import.meta.url);
  const text = `${lines.join('\n').trimEnd()}\n`;
  if (!process.argv.includes('--check')) writeFileSync(at, text);
  else if (readFileSync(at, 'utf8') !== text) {
    console.error(`${name} is not what the package writes`);
    off++;
  }
}
process.exit(off ? 1 : 0);
