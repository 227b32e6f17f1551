import { expect } from '@playwright/test';
import { dialog } from './steps';
import { test } from './test';

test('a day that is typed is the day that is posted, and what cannot be read posts nothing', async ({ page }) => {
  await page.goto('/accounts/LON01');
  await expect(page.getByTestId('to-pay')).toBeVisible();
  await page.keyboard.press('r');
  const cash = dialog(page).getByLabel(/Amount received/);
  await expect(cash).toBeFocused();
  await page.keyboard.type('1,25');
  await expect(dialog(page).getByText('= 1.25')).toBeVisible();
  const on = dialog(page).getByLabel('Value date');
  await on.fill('31 Fob');
  await expect(dialog(page).getByText('‘31 Fob’ is no day', { exact: false })).toBeVisible();
  await on.press('Enter');
  await expect(dialog(page)).toBeVisible();
  await expect(on).toBeFocused();
  // The effect of the new day is held back until Enter was pressed.
  let release = () => {};
  const held = new Promise<void>((done) => (release = done));
  await page.route(/\/receipts\?preview=true$/, async (route) => {
    if (route.request().postData()?.includes('2026-03-11')) await held;
    await route.continue();
  });
  await on.fill('11 mar');
  await expect(dialog(page).getByText('Wednesday 11 March 2026')).toBeVisible();
  // At once, before its effect is shown, Enter posts nothing.
  await on.press('Enter');
  await expect(dialog(page).getByRole('button', { name: 'Post the receipt' })).toBeDisabled();
  release();
  await expect(dialog(page).getByRole('button', { name: 'Post the receipt' })).toBeEnabled();
  const sent = page.waitForRequest((r) => r.method() === 'POST' && /\/receipts$/.test(r.url()));
  await on.press('Enter');
  const body = (await sent).postDataJSON() as { valueDate: string; cash: string };
  expect([body.valueDate, body.cash]).toEqual(['2026-03-11', '1.25']);
  await expect(page.getByText(/RCT-\d+ is posted/)).toBeVisible();
});

test('what was typed is not dropped by Esc or by the next account without asking', async ({ page }) => {
  await page.goto('/accounts/LON01');
  await expect(page.getByTestId('to-pay')).toBeVisible();
  await page.keyboard.press('v');
  const reference = dialog(page).getByLabel('Customer’s reference');
  await reference.fill('PO 77');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Go on typing' }).click();
  await expect(reference).toHaveValue('PO 77');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(dialog(page)).toBeHidden();

  await page.getByRole('tab', { name: 'Customer' }).click();
  await page.getByLabel('Trading name').fill('Longshore Climbing');
  await page.getByLabel('Trading name').blur();
  await page.keyboard.press('j');
  await page.getByRole('button', { name: 'Go on typing' }).click();
  await expect(page.getByLabel('Trading name')).toHaveValue('Longshore Climbing');
  await expect(page).toHaveURL(/LON01/);
});

test('a policy and the terms of an account that were edited are not dropped without asking either', async ({
  page,
}) => {
  await page.goto('/policies/terms');
  const shorthand = page.getByLabel('Terms in shorthand');
  const former = await shorthand.inputValue();
  await shorthand.fill('3/7 n/45');
  // By the list beside it and by a link; nothing is asked once it is left.
  await page.getByRole('button', { name: /^n\/14/ }).click();
  await page.getByRole('button', { name: 'Go on typing' }).click();
  await expect(shorthand).toHaveValue('3/7 n/45');
  await page.getByRole('link', { name: 'Tax codes' }).click();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(page).toHaveURL(/tax-codes/);
  await page.getByRole('link', { name: 'Terms', exact: true }).click();
  await expect(shorthand).toHaveValue(former);

  await page.goto('/accounts/LON01');
  await expect(page.getByTestId('to-pay')).toBeVisible();
  await page.keyboard.press('t');
  await dialog(page).getByLabel('Terms', { exact: true }).fill('n/14');
  await dialog(page).getByLabel('Reason').focus();
  await expect(page.locator('.ant-select-dropdown:visible')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(dialog(page)).toBeHidden();
});

test('what was decided on an item is asked again when the amount changes', async ({ page }) => {
  await page.goto('/accounts/LON01');
  await expect(page.getByTestId('to-pay')).toBeVisible();
  await page.keyboard.press('r');
  const cash = dialog(page).getByLabel(/Amount received/);
  await cash.fill('450');
  await dialog(page).getByRole('button', { name: 'write it off' }).first().click();
  await expect(dialog(page).getByLabel(/Reason for the discount/)).toBeVisible();
  await cash.fill('46,56');
  await expect(dialog(page).getByText('46.56').first()).toBeVisible();
  await expect(dialog(page).getByLabel(/Reason for the discount/)).toBeHidden();
  await expect(dialog(page).getByText('This is what will be posted.')).toBeVisible();
});
