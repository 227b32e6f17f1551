import { expect, type Page } from '@playwright/test';
import { amount, dialog, toPay } from './steps';
import { test } from './test';

/** Presses Tab until the focus is on what has this name. */
async function tabTo(page: Page, name: RegExp) {
  for (let i = 0; i < 60; i++) {
    await page.keyboard.press('Tab');
    const label = await page.evaluate(() => {
      const at = document.activeElement as HTMLElement | null;
      return [
        at?.getAttribute('aria-label'),
        at?.innerText,
        (at as HTMLInputElement | null)?.labels?.[0]?.innerText,
      ].join(' ');
    });
    if (name.test(label)) return;
  }
  throw new Error(`The keyboard does not reach ${name.source}`);
}

test('the whole path of a call is walked by keyboard alone', async ({ page }) => {
  await page.goto('/accounts');
  await expect(page.getByRole('row').nth(3)).toBeVisible();

  // Find the customer on the telephone.
  await page.keyboard.press('/');
  await expect(page.getByLabel('Find an account, a document or an action')).toBeFocused();
  await page.keyboard.type('longshore');
  await expect(dialog(page).getByText('account LON01')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('to-pay')).toBeVisible();
  const owed = await toPay(page);

  // Take a part payment on the oldest item.
  await page.keyboard.press('r');
  await expect(dialog(page).getByLabel(/Amount received/)).toBeFocused();
  await page.keyboard.type('100.00');
  // The amount proposes what it settles: no set needs just this, so the oldest comes first.
  await expect(dialog(page).getByText(/Not sure/)).toBeVisible();
  await expect(dialog(page).getByRole('checkbox').first()).toBeChecked();
  await expect(dialog(page).getByText('This is what will be posted.')).toBeVisible();
  await tabTo(page, /Post the receipt/);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/RCT-\d+ is posted/)).toBeVisible();
  await expect(dialog(page)).toBeHidden();
  await expect.poll(() => toPay(page)).toBeCloseTo(owed - 100, 2);

  // Raise the charge to date; the main button waits for Enter.
  const charges = page.getByRole('row', { name: /Late charges to this day/ }).getByRole('cell');
  expect(await amount(charges)).toBeGreaterThan(0);
  await page.keyboard.press('c');
  await expect(dialog(page).getByRole('button', { name: 'Raise the charge' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(charges).toHaveText('—');
  await expect(dialog(page)).toBeHidden();

  // Set a new limit.
  await page.keyboard.press('l');
  await expect(dialog(page).getByLabel('New limit')).toBeFocused();
  await page.keyboard.type('20000');
  await tabTo(page, /Reason/);
  await page.keyboard.type('Agreed with sales');
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toBeHidden();
  await expect(page.getByText(/limit 20,000.00/)).toBeVisible();

  // Walk the items, look at the workings of one, and go back to the list.
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('w');
  await expect(dialog(page).getByText(/^Late charge on .* through 16 Mar 2026/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toBeHidden();
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/\/accounts\?/);
});

test('what is typed into a form is kept when it is refused', async ({ page }) => {
  await page.goto('/accounts?new=1');
  const form = dialog(page);
  await form.getByLabel('Name').fill('Marlinspike Stores');
  await form.getByRole('textbox', { name: 'Limit' }).fill('12.345');
  await form.getByRole('combobox', { name: 'Terms' }).fill('2/40 n/30');
  await form.getByRole('button', { name: 'Open the account' }).click();
  await expect(form.getByText(/The discount ends after the invoice is due/)).toBeVisible();
  await form.getByRole('combobox', { name: 'Terms' }).fill('n/30');
  await form.getByRole('button', { name: 'Open the account' }).click();
  await expect(form.getByText('Give at most 2 decimals for GBP.')).toBeVisible();
  await expect(form.getByLabel('Name')).toHaveValue('Marlinspike Stores');
  await form.getByRole('textbox', { name: 'Limit' }).fill('1200');
  await form.getByRole('button', { name: 'Open the account' }).click();
  await expect(page.getByRole('heading', { name: 'Marlinspike Stores' })).toBeVisible();
});

test('a receipt is reversed from the list of all, and the list says so', async ({ page }) => {
  await page.goto('/cash?show=posted');
  const row = page
    .getByRole('table', { name: 'Postings' })
    .getByRole('row')
    .filter({ has: page.getByRole('button', { name: /Reverse/ }) })
    .first();
  const number = await row.getByRole('cell').nth(1).innerText();
  await row.getByRole('button', { name: /Reverse/ }).click();
  await dialog(page).getByLabel('Reason').fill('Wrong customer');
  await dialog(page).getByRole('button', { name: 'Reverse it' }).click();
  await expect(page.getByRole('row').filter({ hasText: number }).getByText('reversed')).toBeVisible();
  await page.getByText('Reversals', { exact: true }).click();
  await expect(page.getByRole('row').nth(1)).toContainText('Wrong customer');
});

test('new terms on an account are seen on its page and old invoices keep theirs', async ({ page }) => {
  await page.goto('/accounts/UPW01');
  await expect(page.getByTestId('to-pay')).toBeVisible();
  const items = page.getByRole('table', { name: 'Open items' }).getByRole('row');
  const terms = await items.nth(1).getByRole('cell').nth(1).innerText();
  await page.keyboard.press('t');
  const box = dialog(page).getByRole('combobox', { name: 'Terms' });
  await box.fill('4/5 n/21');
  await expect(dialog(page).getByText('4% = 48.00')).toBeVisible();
  await dialog(page).getByLabel('Reason').fill('New agreement');
  await dialog(page).getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/UPW01.*4\/5 n\/21/)).toBeVisible();
  await expect(items.nth(1).getByRole('cell').nth(1)).toHaveText(terms);
  await page.getByRole('tab', { name: 'Changes' }).click();
  await expect(page.getByRole('table', { name: 'Changes' }).getByRole('row').nth(1)).toContainText('New agreement');
});

test('values that arrive after their field was left do not open over the next one', async ({ page }) => {
  let answered = () => {};
  const asked = new Promise<void>((go) => (answered = go));
  await page.route('**/api/accounts?*', async (route) => {
    await asked;
    await route.continue();
  });
  await page.goto('/orders?new=1');
  const account = dialog(page).getByLabel('Account');
  const sent = page.waitForRequest('**/api/accounts?*');
  await account.fill('ASH01');
  await sent;
  await page.keyboard.press('Tab');
  const response = page.waitForResponse('**/api/accounts?*');
  answered();
  await response;
  await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))));
  // The values are there when the field is entered again: then, and only then, they are offered.
  await dialog(page).getByLabel('Order number').fill('SO-1');
  await expect(page.locator('.ant-select-dropdown:visible')).toHaveCount(0);
  await account.click();
  await expect(page.locator('.ant-select-dropdown:visible')).toContainText('ASH01 · Ashlode Fisheries');
});
