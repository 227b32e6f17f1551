import { expect, type Page } from '@playwright/test';
import { statement, type Line } from './statement';
import { dialog, openAccount } from './steps';
import { test } from './test';

/** Another one each time, so that a second try does not meet the first. */
const mark = `${Date.now() % 1_000_000}`;
const code = `DAY${mark}`;
const number = (letter: string) => `${letter}${mark}`;

const ask = async (page: Page, path: string) =>
  (await (await page.request.get(path)).json()) as Record<string, unknown>;
async function post(page: Page, path: string, data: unknown) {
  const answer = await page.request.post(path, { headers: { origin: new URL(page.url()).origin }, data });
  expect(answer.status(), await answer.text()).toBeLessThan(300);
  return (await answer.json()) as { number: string };
}
const said = (page: Page, text: string | RegExp) => expect(page.getByText(text).first()).toBeVisible();
const lines = (page: Page) => page.getByRole('list', { name: 'Lines of the statement' });
const inHand = (page: Page) => page.getByRole('region', { name: 'The line in hand' });
const left = (page: Page) => page.locator('.queue-foot');

/** What a purpose closes with in the journal of all. */
async function closing(page: Page, purpose: string) {
  const { items } = (await ask(page, '/api/journal/balances')) as {
    items: { purpose: string; currency: string; closing: string }[];
  };
  return items
    .filter((b) => b.purpose === purpose && b.currency === 'GBP')
    .reduce((sum, b) => sum + Number(b.closing), 0);
}

async function read(page: Page, id: string, content: Line[]) {
  await page.keyboard.press('b');
  await page.getByLabel('File of bank statements').setInputFiles({
    name: `${id}.xml`,
    mimeType: 'application/xml',
    buffer: Buffer.from(statement(id, content)),
  });
  await page.getByRole('button', { name: 'Store the statement' }).press('Enter');
  await expect(dialog(page)).toHaveCount(0);
}

// All figures are worked by hand: invoices A 1,000 with 3 % taken off within 14 days, B 300, C 200, D 500 of which the 2 % ended
// on 2 March, E 120 with 2 % until the 19th, and a credit note of 50.
test('a day of cash, from an invoice to the journal, by keyboard; every figure agrees', async ({ page }) => {
  await page.goto('/accounts');
  await post(page, '/api/accounts', {
    name: `Day ${mark}`,
    code,
    limit: '20000',
    terms: '2/10 n/30',
    email: `day${mark}@day.example`,
  });
  const { version } = (await ask(page, `/api/accounts/${code}/customer`)) as { version: number };
  const changed = await page.request.put(`/api/accounts/${code}`, {
    headers: { origin: new URL(page.url()).origin, 'If-Match': `"${version}"` },
    data: { customer: { delivery: 'email' }, reason: 'asked for' },
  });
  expect(changed.status(), await changed.text()).toBe(200);
  const invoice = (letter: string, date: string, net: string) =>
    post(page, `/api/accounts/${code}/invoices`, { number: number(letter), date, net, tax: '0' });
  await invoice('B', '2026-02-02', '300');
  await invoice('C', '2026-02-02', '200');
  await invoice('D', '2026-02-20', '500');
  await invoice('E', '2026-03-09', '120');
  await post(page, `/api/accounts/${code}/credit-notes`, {
    number: number('N'),
    date: '2026-03-10',
    net: '50',
    tax: '0',
  });
  const before = { bank: await closing(page, 'bank'), discounts: await closing(page, 'discountsAllowed') };

  // The invoice with its one-off discount.
  await openAccount(page, code);
  await page.keyboard.press('v');
  await dialog(page).getByLabel('Number').fill(number('A'));
  await dialog(page).getByText('Totals alone').click();
  await dialog(page).getByLabel('Net').fill('1000');
  await dialog(page).getByLabel('Tax', { exact: true }).fill('0');
  await dialog(page).getByRole('button', { name: 'Give a one-off discount' }).press('Enter');
  await expect(dialog(page).getByTestId('document')).toContainText('less 30.00, 3 %');
  await dialog(page).getByRole('button', { name: 'Post the invoice' }).press('Enter');
  await said(page, `Invoice ${number('A')} is posted.`);

  // It was sent as the customer wants it, and arrived.
  await page.keyboard.press('6');
  await expect(page.getByRole('heading', { name: 'Outbox', level: 1 })).toBeVisible();
  const gone = page.getByRole('region', { name: 'The message in hand' });
  await expect(gone).toContainText(`Invoice ${number('A')}`);
  await expect(gone).toContainText(`day${mark}@day.example`);
  await expect(gone.getByRole('link', { name: `${number('A')}.pdf` })).toBeVisible({ timeout: 20_000 });
  await page.goto('/outbox?show=mailbox');
  await expect(page.getByRole('region', { name: 'The e-mail in hand' })).toContainText('1,000.00 GBP');

  // The statement: three lines match by themselves, one is short by a late discount, one is unknown.
  await page.goto('/cash');
  await expect(page.getByRole('heading', { name: 'Cash', level: 1 })).toBeVisible();
  await read(page, `DAY-${mark}`, [
    { amount: '970.00', payer: 'DAY', text: [number('A')] },
    { amount: '120.00', payer: 'DAY', text: [number('E')] },
    { amount: '490.00', payer: 'DAY', text: [`${number('D')} LESS DISC`] },
    { amount: '450.00', payer: 'DAY', text: [number('B'), number('C'), `LESS ${number('N')}`] },
    { amount: '61.00', payer: `NOBODY ${mark}`, text: ['THANKS'] },
  ]);
  await expect(left(page)).toContainText('2,091.00');
  await expect(page.getByRole('button', { name: /^Post the 3 certain/ })).toBeVisible();
  await page.keyboard.press('g');
  await expect(left(page)).toContainText('551.00');
  await expect(lines(page).getByText('posted as RCT-')).toHaveCount(3);
  await expect(inHand(page).getByText('taken 14 days late', { exact: false })).toBeVisible();
  await page.keyboard.press('a');
  await page.keyboard.type('Agreed on the telephone');
  await expect(inHand(page).getByTestId('effect')).toContainText('Discounts allowed');
  await expect(inHand(page).getByRole('button', { name: 'Post and next' })).toBeEnabled();
  await page.keyboard.press('Enter');
  await expect(left(page)).toContainText('61.00');
  await expect(inHand(page)).toContainText('Nobody is recognised as the payer');
  await page.keyboard.press('u');
  await expect(left(page)).toContainText('0.00');

  // The discount of the payment for E, which was banked in full.
  const ledger = (await ask(page, `/api/accounts/${code}/ledger`)) as { rows?: unknown } & { items?: unknown };
  const rows = (ledger.items ?? ledger.rows ?? ledger) as { number: string; change: string }[];
  const receiptOf = (amount: string) => rows.find((r) => r.change === `-${amount}`)?.number ?? '';
  const returned = receiptOf('1000.00');
  expect(returned).toMatch(/^RCT-/);
  await openAccount(page, code);
  await page.getByRole('tab', { name: 'Ledger' }).click();
  await page.getByRole('button', { name: `What is settled, ${receiptOf('120.00')}` }).press('Enter');
  await page.getByRole('button', { name: /Give 2\.40, missed/ }).press('Enter');
  const grant = dialog(page).last();
  await grant.getByLabel('Reason').fill('overlooked when it was banked');
  await expect(grant.getByTestId('effect')).toContainText('Discounts allowed');
  await expect(grant.getByRole('button', { name: 'Give the discount' })).toBeEnabled();
  await grant.getByLabel('Reason').press('Enter');
  await said(page, 'The discount is given.');
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toHaveCount(0);

  // Two cheques on one slip.
  for (const cash of ['77.00', '33.00'])
    await post(page, `/api/accounts/${code}/receipts`, { valueDate: '2026-03-16', cash, method: 'CHEQUE', items: [] });
  const cheques = rows.length;
  expect(cheques).toBeGreaterThan(0);
  await page.goto('/cash?show=banking');
  const waiting = page.getByRole('table', { name: 'Receipts to be banked' });
  await expect(waiting.getByText(`Day ${mark}`).first()).toBeVisible();
  for (const row of await waiting.getByRole('row').all())
    if ((await row.getByRole('checkbox').count()) > 0 && !(await row.innerText()).includes(`Day ${mark}`))
      await row.getByRole('checkbox').uncheck();
  await page.getByRole('heading', { name: 'To be banked' }).click();
  await page.keyboard.press('s');
  await said(page, 'The slip is written.');
  const slips = page.getByRole('table', { name: 'Paying-in slips' });
  await expect(slips.getByRole('row').nth(1)).toContainText('110.00waits');
  const slip = (await slips.getByRole('row').nth(1).getByRole('button').textContent()) ?? '';

  // The next statement takes the payment for A back and credits the slip.
  await page.goto('/cash');
  await expect(page.getByRole('heading', { name: 'Cash', level: 1 })).toBeVisible();
  await read(page, `DAY-${mark}-2`, [
    { amount: '970.00', payer: '', text: [`RETURNED ${returned}`], debit: true },
    { amount: '110.00', payer: '', text: [`PAYING IN ${slip}`] },
  ]);
  await expect(inHand(page)).toContainText(`the text names ${returned}`);
  await expect(inHand(page).getByRole('button', { name: /Reverse/ })).toBeEnabled();
  await page.keyboard.press('Enter');
  await expect(inHand(page).getByRole('button', { name: /Settle it/ })).toBeEnabled();
  await page.keyboard.press('Enter');
  await said(page, `${slip} is settled.`);
  await expect(left(page)).toContainText('0.00');

  // A is open again; on account are 2.40 freed and the cheques of 110.00.
  await openAccount(page, code);
  const shown = (await ask(page, `/api/accounts/${code}`)) as {
    items: { document: string; open: string }[];
    position: { exposure: string };
  };
  const open = Object.fromEntries(shown.items.map((i) => [i.document, Number(i.open)]));
  expect(open[number('A')]).toBe(1000);
  expect(shown.items.filter((i) => i.open.startsWith('-')).reduce((sum, i) => sum + Number(i.open), 0)).toBeCloseTo(
    -112.4,
    2,
  );
  const board = (await ask(page, `/api/accounts?q=${code}`)) as { items: { exposure: string }[] };
  expect(board.items[0]?.exposure).toBe(shown.position.exposure);
  await page.getByRole('tab', { name: 'Ledger' }).click();
  await expect(page.getByRole('table', { name: 'Ledger' }).getByRole('row').nth(1)).toContainText('887.60');
  // 120, 490, 450 and 61 stayed, and the slip; 10 and 2.40 were given.
  expect((await closing(page, 'bank')) - before.bank).toBeCloseTo(1231, 2);
  expect((await closing(page, 'discountsAllowed')) - before.discounts).toBeCloseTo(12.4, 2);

  // Handed over.
  await page.goto('/cash?show=journal');
  await expect(page.getByTestId('journal-GBP')).toContainText('All in GBP');
  await page.keyboard.press('h');
  await said(page, 'Everything that is posted was handed over.');
});
