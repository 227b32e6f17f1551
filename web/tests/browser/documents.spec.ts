import { expect } from '@playwright/test';
import { accessible, dialog, openAccount, openCustomer } from './steps';
import { test } from './test';

/** Another one each time, so that a second try does not meet the first. */
const mark = `${Date.now() % 1_000_000}`;

test('an invoice by line, its credit note, and a credit set off later, by keyboard', async ({ page }) => {
  await openAccount(page, 'PEL01');
  const before = await page.request.get('/api/accounts/PEL01').then((r) => r.json());

  await page.keyboard.press('v');
  await dialog(page).getByLabel('Number').fill(`DOC-${mark}`);
  await dialog(page).getByLabel('What is supplied, line 1').fill('Polyester rope, 12 mm');
  await page.keyboard.press('Tab');
  await page.keyboard.type('200');
  await page.keyboard.press('Tab');
  await page.keyboard.type('1.85');
  await dialog(page).getByRole('button', { name: 'Give a one-off discount' }).click();
  // By hand: 200 × 1.85 is 370.00, 20 % of it 74.00, and 3 % of 444.00 is 13.32.
  const comes = dialog(page).getByTestId('document');
  await expect(comes).toContainText('444.00');
  await expect(comes).toContainText('less 13.32, 3 %');
  await expect(comes).toContainText('430.68');
  await expect(dialog(page).getByTestId('effect')).toContainText('Output tax');
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Post the invoice' }).click();
  await expect(page.getByText(`Invoice DOC-${mark} is posted.`)).toBeVisible();
  await expect(dialog(page)).toHaveCount(0);

  await page.keyboard.press('e');
  await dialog(page).getByLabel('Credits the invoice').fill(`DOC-${mark}`);
  await page.keyboard.press('Tab');
  await dialog(page).getByLabel('What is supplied, line 1').fill('One drum returned');
  await dialog(page).getByLabel('Unit price, line 1').fill('37');
  await expect(dialog(page).getByRole('table', { name: 'Set against' })).toContainText('44.40');
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Post the credit note' }).click();
  await expect(page.getByText(/Credit note \S+ is posted/)).toBeVisible();
  await expect(dialog(page)).toHaveCount(0);

  // One that credits more than is left is told before it is posted, and nothing typed is lost.
  await page.keyboard.press('e');
  await dialog(page).getByLabel('Credits the invoice').fill(`DOC-${mark}`);
  await page.keyboard.press('Tab');
  await dialog(page).getByText('Totals alone').click();
  await dialog(page).getByLabel('Net').fill('400');
  await expect(dialog(page).getByText(/is more than is left to credit/)).toBeVisible();
  await expect(dialog(page).getByRole('button', { name: 'Post the credit note' })).toBeDisabled();
  await dialog(page).getByLabel('Credits the invoice').fill('');
  await dialog(page).getByLabel('Net').fill('12');
  await expect(dialog(page).getByText('is set against no item and stays on account', { exact: false })).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Post the credit note' }).click();
  await expect(dialog(page)).toHaveCount(0);

  await page.keyboard.press('f');
  await dialog(page).getByLabel(`Takes of the credit, DOC-${mark}`).fill('12.00');
  await expect(dialog(page).getByTestId('effect')).toBeVisible();
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Set it off' }).click();
  await expect(page.getByText('It is set off.', { exact: false })).toBeVisible();

  // By hand: 444.00 − 44.40 − 12.00; the exposure is what was set off less.
  const after = await page.request.get('/api/accounts/PEL01').then((r) => r.json());
  const item = after.items.find((i: { number: string }) => i.number === `DOC-${mark}`);
  expect(item.open).toBe('387.60');
  expect(Number(after.position.exposure)).toBeCloseTo(Number(before.position.exposure) + 387.6, 2);

  await page.getByRole('tab', { name: 'Documents' }).click();
  await expect(page.getByRole('table', { name: 'Documents' })).toContainText(`DOC-${mark}`);
  const sums = await page.getByTestId('history-sums').innerText();
  await page.getByText('By line', { exact: true }).click();
  await expect(page.getByRole('table', { name: 'Lines' })).toContainText('Polyester rope, 12 mm');
  expect((await page.getByTestId('history-sums').innerText()).replace(/All \d+/, '')).toBe(sums.replace(/All \d+/, ''));
  await accessible(page);
  const row = await page.request.get('/api/accounts/PEL01/documents').then((r) => r.json());
  const printed = await page.request.get(`/api/documents/${row.items[0].id}/pdf`);
  expect(printed.headers()['content-type']).toContain('application/pdf');
});

test('a posted invoice is amended from a day on, and a wrong one is written again', async ({ page }) => {
  await openCustomer(page, `AMD${mark}`, { terms: '2/10 n/30' });
  const number = `AM-${mark}`;
  await page.keyboard.press('v');
  // By hand: 100 × 12.00 is 1,200.00, with tax 1,440.00; due on 4 February, 40 days before the business date.
  await dialog(page).getByLabel('Invoice date').fill('5 Jan 2026');
  await page.keyboard.press('Tab');
  await dialog(page).getByLabel('Number').fill(number);
  await dialog(page).getByLabel('What is supplied, line 1').fill('Sailcloth');
  await dialog(page).getByLabel('Quantity, line 1').fill('100');
  await dialog(page).getByLabel('Unit price, line 1').fill('12');
  await expect(dialog(page).getByTestId('document')).toContainText('Due 4 Feb 2026');
  await dialog(page).getByRole('button', { name: 'Post the invoice' }).click();
  await expect(dialog(page)).toHaveCount(0);
  await expect(page.getByText('40 days over')).toBeVisible();

  // Terms that part it otherwise are refused by their field, and what was typed stays.
  await page.getByRole('tab', { name: 'Documents' }).click();
  await page.getByRole('button', { name: `Amend ${number}` }).click();
  const terms = dialog(page).getByLabel('Terms of this invoice');
  await expect(terms).toHaveValue('2/10 n/30');
  await terms.fill('50% 10, rest 30');
  await expect(dialog(page).getByText(/these terms part it otherwise/)).toBeVisible();
  await expect(dialog(page).getByRole('button', { name: 'Post the amendment' })).toBeDisabled();
  await terms.fill('2/75 n/90');
  // By hand, 20 % tax with it: 2 % of 1,440.00 until 21 March, 28.80; due on 5 April.
  const comes = dialog(page).getByTestId('document');
  await expect(comes).toContainText('Pays until 21 Mar 2026, less 28.80, 2 %');
  await expect(comes).toContainText('Due 5 Apr 2026');
  await dialog(page).getByLabel('Reason').fill('agreed by telephone');
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Post the amendment' }).click();
  await expect(page.getByText(`${number} is amended.`, { exact: false })).toBeVisible();
  await expect(dialog(page)).toHaveCount(0);
  await expect(page.getByRole('table', { name: 'Documents' })).toContainText('amended 16 Mar 2026');
  await expect(page.getByTestId('to-pay')).toContainText('1,411.20');

  // Written again: the lines are there, the carriage is new, and one reason is asked for both.
  await page.getByRole('button', { name: `Write ${number} again` }).click();
  await expect(dialog(page).getByLabel('What is supplied, line 1')).toHaveValue('Sailcloth');
  await expect(dialog(page).getByLabel('Terms of this invoice')).toHaveValue('2/75 n/90');
  await expect(dialog(page).getByText(/was posted later and builds on this/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toHaveCount(0);
  await page.getByRole('tab', { name: 'Ledger' }).click();
  const amendment = page.getByRole('row').filter({ hasText: 'agreed by telephone' });
  await amendment.getByRole('button', { name: `Reverse ${number}` }).click();
  await dialog(page).getByLabel('Reason').fill('another invoice was meant');
  await dialog(page).getByRole('button', { name: 'Reverse it' }).click();
  await expect(dialog(page)).toHaveCount(0);
  await page.getByRole('tab', { name: 'Documents' }).click();
  await page.getByRole('button', { name: `Write ${number} again` }).click();
  await dialog(page).getByLabel('Number').fill(number);
  await dialog(page).getByLabel('Quantity, line 1').fill('90');
  await dialog(page).getByLabel('Reason').fill('ten were not delivered');
  await expect(dialog(page).getByTestId('document')).toContainText('1,296.00');
  await accessible(page);
  await dialog(page)
    .getByRole('button', { name: `Reverse ${number} and post the invoice` })
    .click();
  await expect(page.getByText(`${number} is reversed, and invoice ${number} takes its place.`)).toBeVisible();
  await expect(dialog(page)).toHaveCount(0);
  const documents = page.getByRole('table', { name: 'Documents' });
  await expect(documents).toContainText('1,296.00');
  await expect(documents).not.toContainText('1,440.00');
});

// The interest on 600.00, due on 31 December, at 8 % by actual/365 is 9.86 for the 75 days to 16 March. The second letter shows
// it, and a fee of 5.00 for its one item, and posts neither: it asks for 614.86.
test('a reminder paid in full is income, or stays on account where one says so', async ({ page }) => {
  await openCustomer(page, `LPF${mark}`, { terms: 'n/30', lateChargePolicy: 'SHOWN', reminderPlan: 'GENTLE' });
  const post = async (path: string, data: unknown) => {
    const answer = await page.request.post(path, { headers: { origin: new URL(page.url()).origin }, data });
    expect(answer.status(), await answer.text()).toBe(200);
  };
  const account = `/api/accounts/LPF${mark}`;
  await post(`${account}/invoices`, { number: `LP-${mark}`, date: '2025-12-01', net: '600', tax: '0' });
  await post(`${account}/reminders`, { date: '2026-02-10' });
  await post(`${account}/reminders`, {});
  await openAccount(page, `LPF${mark}`);
  await page.keyboard.press('r');
  await dialog(page).getByLabel('Amount received').fill('614.86');
  await expect(
    dialog(page).getByText(/The reminder is paid in full\. Posted as income: .*interest 9\.86, .*fee 5\.00\./),
  ).toBeVisible();
  await expect(dialog(page).getByTestId('effect')).toContainText('Late-charge income');
  const keep = dialog(page).getByRole('checkbox', { name: 'Keep it on account' });
  await keep.check();
  await expect(dialog(page).getByText('14.86 is not set against an item and stays on account.')).toBeVisible();
  await expect(dialog(page).getByTestId('effect')).not.toContainText('Late-charge income');
  await accessible(page);
  await keep.uncheck();
  await expect(dialog(page).getByTestId('effect')).toContainText('Late-charge income');
  await dialog(page).getByRole('button', { name: 'Post the receipt' }).click();
  await expect(dialog(page)).toHaveCount(0);
  await expect(page.getByTestId('to-pay')).toContainText('0.00');
  await expect(page.getByText('Nothing is open on this account.')).toBeVisible();
});
