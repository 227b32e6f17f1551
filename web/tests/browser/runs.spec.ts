import { expect, type Page } from '@playwright/test';
import { accessible, dialog, legible, openAccount } from './steps';
import { test } from './test';

const accounts = (page: Page, list: string) => page.getByRole('listbox', { name: list });
const inHand = (page: Page) => page.getByRole('region', { name: 'The account in hand' });
const reason = async (page: Page, text: string) => {
  await dialog(page).getByLabel('Reason').fill(text);
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toHaveCount(0);
};

test('late charges are proposed, cut, left out, posted and taken back, by keyboard', async ({ page }) => {
  await page.goto('/runs');
  await expect(page.getByRole('heading', { name: 'Runs', level: 1 })).toBeVisible();
  await accessible(page);
  await page.keyboard.press('c');
  await dialog(page).getByText('all accounts').click();
  await page.locator('.ant-select-dropdown:visible').getByText('these accounts').click();
  await dialog(page).getByLabel('Codes').fill('BIT01, CIN01 NIG01');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /^Late charges through 16 Mar 2026/ })).toBeVisible();
  const ready = accounts(page, 'To post');
  await expect(ready.getByRole('option')).toHaveCount(3);
  await accessible(page);
  await legible(page);

  // One account is left out, and a charge of another one is cut to 1.00.
  const gone = (await ready.locator('b').last().textContent()) ?? '';
  await page.keyboard.press('j');
  await page.keyboard.press('j');
  await expect(inHand(page)).toContainText(gone);
  await page.keyboard.press('x');
  await reason(page, 'A new bookkeeper');
  await expect(ready.getByRole('option')).toHaveCount(2);
  await inHand(page)
    .getByRole('button', { name: /^Cut INV-/ })
    .last()
    .click();
  await dialog(page).getByLabel('Charge, without tax').fill('999999');
  await dialog(page).getByLabel('Reason').fill('Goodwill');
  await page.keyboard.press('Enter');
  await expect(dialog(page).getByText(/Cut the charge to less than/)).toBeVisible();
  await dialog(page).getByLabel('Charge, without tax').fill('0.01');
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toHaveCount(0);
  await expect(inHand(page).getByRole('list', { name: 'Decisions' })).toContainText('Charge cut');

  await page.keyboard.press('g');
  await dialog(page).getByText('Put the charge documents into the outbox').click();
  await dialog(page).getByRole('button', { name: 'Post 2 charges' }).click();
  await expect(accounts(page, 'Posted').getByRole('option')).toHaveCount(2);
  const number = (await accounts(page, 'Posted').getByText(/^LCH-/).first().textContent()) ?? '';
  const link = inHand(page).getByRole('link', { name: 'Charge document (PDF)' });
  const file = await page.request.get((await link.getAttribute('href')) ?? '');
  expect((await file.body()).subarray(0, 5).toString()).toBe('%PDF-');

  // The same day has nothing more for them but what was left out.
  await page.getByRole('button', { name: 'Reverse the run' }).click();
  await dialog(page).getByLabel('Reason').fill('Wrong rate');
  await page.keyboard.press('Enter');
  await expect(accounts(page, 'Reversed').getByRole('option')).toHaveCount(2);
  await openAccount(page, 'NIG01');
  await page.getByRole('tab', { name: 'Ledger' }).click();
  await expect(page.getByText(number).first()).toBeVisible();
});

test('the reminders of the day are read, one is paused, one taken in, and they go into the outbox', async ({
  page,
}) => {
  await page.goto('/today');
  const beside = page.getByRole('list', { name: 'Beside the accounts' }).getByRole('listitem');
  await beside.filter({ hasText: 'Reminders of' }).getByRole('link').click();
  await expect(page.getByRole('heading', { name: 'Reminders of 16 Mar 2026' })).toBeVisible();
  // Others may have posted on its accounts since; a new one knows it.
  const former = page.url();
  await page.goto('/runs');
  await expect(page.getByRole('heading', { name: 'Runs', level: 1 })).toBeVisible();
  await page.keyboard.press('m');
  await dialog(page).getByRole('button', { name: 'Propose' }).press('Enter');
  await expect(page).toHaveURL(/\/runs\/\d+/);
  expect(page.url()).not.toBe(former);
  await expect(page.getByRole('heading', { name: 'Reminders of 16 Mar 2026' })).toBeVisible();
  const ready = accounts(page, 'To post');
  await expect(ready.getByRole('option').first()).toBeVisible();
  const before = await ready.getByRole('option').count();
  await expect(page.getByRole('img', { name: /^First page of the letter/ })).toBeVisible();
  await accessible(page);
  await page.keyboard.press('w');
  await expect(inHand(page).getByRole('cell', { name: 'Total', exact: true })).toBeVisible();

  const paused = (await ready.locator('b').first().textContent()) ?? '';
  await page.keyboard.press('z');
  await dialog(page).getByLabel('Until').fill('30 Mar 2026');
  await dialog(page).getByLabel('Until').press('Tab');
  await reason(page, 'They look into it');
  await expect(ready.getByRole('option')).toHaveCount(before - 1);

  await page.getByText(/^Left out \d+/).click();
  const out = accounts(page, 'Left out');
  await expect(out.getByText('Reminders are paused until 30 Mar 2026: They look into it')).toBeVisible();
  await accessible(page);
  await out.getByText(/Reminders are paused until 30 Mar 2026: Their new owner/).click();
  await expect(inHand(page).getByRole('button', { name: /^Take in/ })).toBeVisible();
  await page.keyboard.press('t');
  await reason(page, 'Agreed with them');
  await page.getByText(/^To post \d+/).click();
  await expect(ready.getByRole('option')).toHaveCount(before);

  await page.keyboard.press('g');
  await dialog(page)
    .getByRole('button', { name: new RegExp(`^Issue ${before} reminders`) })
    .click();
  await expect(accounts(page, 'Posted').getByRole('option')).toHaveCount(before, { timeout: 60_000 });
  await expect(accounts(page, 'Posted').getByText(paused, { exact: true })).toHaveCount(0);
  const number = (await accounts(page, 'Posted').getByText(/^REM-/).first().textContent()) ?? '';
  await page.goto('/outbox');
  await expect(page.getByText(`Reminder ${number}`, { exact: true })).toBeVisible();
});

test('an account is handed over with its dossier, left alone, and taken back', async ({ page }) => {
  await openAccount(page, 'GAN01');
  await page.getByRole('tab', { name: /^Reminders/ }).click();
  await page.getByRole('button', { name: 'Hand over' }).click();
  await dialog(page).getByRole('button', { name: 'Hand over' }).click();
  await expect(
    dialog(page)
      .getByText(/Name the agency or the lawyers|reason/i)
      .first(),
  ).toBeVisible();
  await dialog(page).getByLabel('To', { exact: true }).fill('Harbour Collections');
  await dialog(page).getByLabel('Reason').fill('No answer for months');
  await dialog(page).getByRole('button', { name: 'Hand over' }).click();
  await expect(page.getByText('With Harbour Collections', { exact: true })).toBeVisible();
  await accessible(page);
  const file = await page.request.get('/api/accounts/GAN01/dossier.zip');
  expect((await file.body()).subarray(0, 2).toString()).toBe('PK');
  await page.keyboard.press('m');
  await expect(dialog(page).getByText(/handed to Harbour Collections/)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Take back' }).click();
  await reason(page, 'They paid half');
  await expect(page.getByText('With Harbour Collections', { exact: true })).toHaveCount(0);
});
