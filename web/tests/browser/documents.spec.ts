import { expect } from '@playwright/test';
import { accessible, dialog, openAccount } from './steps';
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
