import { expect } from '@playwright/test';
import { accessible, amount, dialog, openAccount, toPay } from './steps';
import { test } from './test';

// The whole way of a new customer, each step in the real interface; the later steps build on the earlier ones, so a retry
// would start in the middle.
test.describe.configure({ mode: 'serial', retries: 0 });

test('an account is opened with a name alone and found by typing', async ({ page }) => {
  await page.goto('/accounts');
  await expect(page.getByRole('heading', { name: 'Accounts' })).toBeVisible();
  await page.keyboard.press('n');
  const form = dialog(page);
  await form.getByLabel('Name').fill('Zephyr Chandlery');
  await expect(form.getByPlaceholder('ZEP01')).toBeVisible();
  await accessible(page);
  await form.getByRole('button', { name: 'Open the account' }).click();
  await expect(page.getByRole('heading', { name: 'Zephyr Chandlery' })).toBeVisible();
  await expect(page.getByText('Nothing is open on this account.')).toBeVisible();

  await page.keyboard.press('/');
  const find = page.getByRole('combobox', { name: 'Find an account, a document or an action' });
  await find.fill('nobody of that name');
  await expect(page.getByRole('status')).toContainText('Nothing holds');
  await find.fill('zeph');
  await expect(dialog(page).getByText('account ZEP01')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/ZEP01/);
});

test('limit, state, terms and policies are set by keyboard, with wrong input named and kept', async ({ page }) => {
  await openAccount(page, 'ZEP01');
  await page.keyboard.press('l');
  await expect(dialog(page).getByLabel('New limit')).toBeFocused();
  await page.keyboard.type('-5');
  await page.keyboard.press('Enter');
  await expect(dialog(page).getByText(/not negative/)).toBeVisible();
  await expect(dialog(page).getByText('Give the reason, in a few words.')).toBeVisible();
  await expect(dialog(page).getByLabel('New limit')).toHaveValue('-5');
  await dialog(page).getByLabel('New limit').fill('2,400.00');
  await dialog(page).getByLabel('Reason').fill('Trade references');
  await page.keyboard.press('Enter');
  // The dialog says the limit too until it is closed.
  await expect(dialog(page)).toBeHidden();
  await expect(page.getByText('limit 2,400.00')).toBeVisible();

  await page.keyboard.press('s');
  await dialog(page).getByLabel('Watch: every check is shown').check();
  await dialog(page).getByLabel('Reason').fill('New');
  await dialog(page).getByRole('button', { name: 'Change the state' }).click();
  await expect(page.getByText('On watch', { exact: true })).toBeVisible();
  await expect(dialog(page)).toBeHidden();

  await page.keyboard.press('t');
  const terms = dialog(page).getByRole('combobox', { name: 'Terms' });
  await terms.fill('2/ n/30');
  await expect(dialog(page).getByText(/position 4: expected a number of days/)).toBeVisible();
  await terms.fill('3/10 n/30');
  const tryOut = dialog(page).getByRole('region', { name: 'Try-out' });
  await expect(tryOut.getByText('3% = 36.00')).toBeVisible();
  await expect(tryOut.getByText('56.44 %')).toBeVisible();
  await dialog(page).getByLabel('Reason').fill('Agreed by letter');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
});

test('what a customer must pay follows the day, with workings', async ({ page }) => {
  await openAccount(page, 'RUS01');
  const today = await toPay(page);
  await accessible(page);
  const settle = page.getByRole('region', { name: 'To settle' });
  await settle.getByLabel('To settle on').fill('30 Apr 2026');
  await settle.getByLabel('To settle on').press('Enter');
  await expect.poll(() => toPay(page)).toBeGreaterThan(today);
  await settle.getByRole('button', { name: 'Workings' }).click();
  await expect(dialog(page).getByText('To pay', { exact: true })).toBeVisible();
  await expect(
    dialog(page)
      .getByText(/× 8 % ×/)
      .first(),
  ).toBeVisible();
  await accessible(page);
});

test('a payment shows its effect, is posted, moves every figure, and is reversed', async ({ page }) => {
  await openAccount(page, 'RUS01');
  const owed = await toPay(page);
  await page.keyboard.press('r');
  const form = dialog(page);
  await expect(form.getByLabel(/Amount received/)).toBeFocused();
  await page.keyboard.type('1000.001');
  await expect(form.getByText('Give at most 2 decimals for GBP.')).toBeVisible();
  await form.getByLabel(/Amount received/).fill('1000.00');
  await form.getByRole('checkbox').first().check();
  await expect(form.getByText(/Short by .*; it stays open/)).toBeVisible();
  await expect(form.getByTestId('effect').getByRole('row', { name: /12\d0 Bank 1,000.00/ })).toBeVisible();
  await accessible(page);
  await form.getByRole('button', { name: 'Post the receipt' }).click();
  await expect(page.getByText(/RCT-\d+ is posted/)).toBeVisible();
  await expect.poll(() => toPay(page)).toBeCloseTo(owed - 1000, 2);

  await page.getByRole('tab', { name: 'Ledger' }).click();
  const row = page.getByRole('table', { name: 'Ledger' }).getByRole('row').nth(1);
  await expect(row).toContainText('Receipt');
  await row.getByRole('button', { name: /Reverse/ }).click();
  await expect(dialog(page).getByTestId('effect')).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Reverse it' }).click();
  await expect(dialog(page).getByText('Give the reason, in a few words.')).toBeVisible();
  await dialog(page).getByLabel('Reason').fill('Wrong account');
  await dialog(page).getByRole('button', { name: 'Reverse it' }).click();
  await expect.poll(() => toPay(page)).toBeCloseTo(owed, 2);
});

test('a discount is taken when it is in force and named when it is late', async ({ page }) => {
  await openAccount(page, 'RUS01');
  await page.keyboard.press('r');
  const form = dialog(page);
  const offered = form.getByRole('row').filter({ hasText: 'offered' }).first();
  const open = await amount(offered.getByRole('cell').nth(3));
  const discount = await amount(offered.getByRole('cell').nth(6));
  await offered.getByRole('checkbox').check();
  // The item that was chosen tells what it needs.
  await expect(form.getByLabel(/Amount received/)).toHaveValue((open - discount).toFixed(2));
  await form.getByLabel(/Amount received/).fill((open - discount).toFixed(2));
  await expect(form.getByTestId('effect').getByText('Discounts allowed')).toBeVisible();
  await form.getByLabel(/Amount received/).fill(open.toFixed(2));
  await expect(form.getByText(/was open and not taken; you may grant it/)).toBeVisible();

  // Of the two steps of its terms the one that has passed is allowed by name, which takes a reason.
  await form.getByLabel(/^Discount of /).click();
  const step = page.getByTitle(/allowed late/);
  const late = Number(((await step.innerText()).match(/[\d,.]+/) ?? [''])[0].replaceAll(',', ''));
  expect(late).toBeGreaterThan(discount);
  await step.click();
  await expect(form.getByText(/give the reason for allowing it/)).toBeVisible();
  // What was decided belongs to the amount: with another one it is asked again.
  await form.getByLabel(/Amount received/).fill((open - late).toFixed(2));
  await expect(form.getByLabel(/Reason for the discount/)).toBeHidden();
  await form.getByLabel(/^Discount of /).click();
  await step.click();
  await form.getByLabel(/Reason for the discount/).fill('Agreed on the telephone');
  const line = form.getByRole('row').filter({ has: page.getByLabel(/^Discount of /) });
  await expect.poll(() => amount(line.getByRole('cell').nth(6))).toBeCloseTo(late, 2);
  await expect(form.getByRole('button', { name: 'Post the receipt' })).toBeEnabled();
});

test('an amount chooses the items that it settles, and what the payer wrote names them', async ({ page }) => {
  await openAccount(page, 'FOU01');
  await page.keyboard.press('r');
  const form = dialog(page);
  const rows = form.getByRole('table', { name: 'Items to settle' }).getByRole('row');
  const [first, last] = [rows.nth(1), rows.last()];
  const number = (await last.getByRole('cell').nth(1).innerText()).trim();
  const open = await amount(last.getByRole('cell').nth(3));
  await form.getByLabel(/Amount received/).fill(open.toFixed(2));
  await form.getByLabel(/remittance text/).fill(`your ${number.toLowerCase().replaceAll('-', ' ')}, thanks`);
  await expect(form.getByText('Certain', { exact: true })).toBeVisible();
  await expect(form.locator('mark')).toHaveText(number.toLowerCase().replaceAll('-', ' '));
  await expect(last.getByRole('checkbox')).toBeChecked();
  await expect(last.getByRole('img', { name: /^Cash / })).toBeVisible();
  await expect(first.getByRole('checkbox')).not.toBeChecked();

  // What is changed by hand stays, and the way back is offered.
  await last.getByRole('checkbox').uncheck();
  await first.getByRole('checkbox').check();
  await form.getByLabel(/Amount received/).fill('50.00');
  await expect(form.getByText('Not sure', { exact: true })).toBeVisible();
  await expect(first.getByRole('checkbox')).toBeChecked();
  await form.getByRole('button', { name: 'Take these items' }).click();
  await expect(last.getByRole('checkbox')).toBeChecked();
  await expect(first.getByRole('checkbox')).not.toBeChecked();
});

test('the late charge to date is raised and the next reminder issued with its letter', async ({ page, request }) => {
  await openAccount(page, 'FOU01');
  const charges = page.getByRole('row', { name: /Late charges to this day/ }).getByRole('cell');
  const accrued = await amount(charges);
  expect(accrued).toBeGreaterThan(0);
  await page.keyboard.press('c');
  await expect(dialog(page).getByText(`One document of ${accrued.toFixed(2)} is raised`)).toBeVisible();
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Raise the charge' }).click();
  await expect(charges).toHaveText('—');
  await expect(dialog(page)).toBeHidden();

  await page.keyboard.press('m');
  await expect(dialog(page).getByText(/Level 1/)).toBeVisible();
  const letter = await request.get('/api/accounts/FOU01/reminder.pdf');
  expect((await letter.body()).subarray(0, 4).toString()).toBe('%PDF');
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Issue the reminder' }).click();
  await expect(page.getByText(/Reminder REM-\d+ is issued/)).toBeVisible();
  await expect(dialog(page)).toBeHidden();
  await page.keyboard.press('m');
  await expect(dialog(page).getByText(/No reminder goes out today/)).toBeVisible();
});
