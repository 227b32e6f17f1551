import { expect } from '@playwright/test';
import { accessible, dialog, legible } from './steps';
import { test } from './test';

for (const theme of ['light', 'dark']) {
  test(`what would have happened is accessible in the ${theme} theme`, async ({ page }) => {
    await page.addInitScript((name) => {
      localStorage.setItem('theme', name);
    }, theme);
    await page.goto('/insight/what-if');
    await expect(page.getByRole('table', { name: 'Accounts that differ most' }).getByRole('row').nth(2)).toBeVisible();
    await (theme === 'light' ? accessible : legible)(page);
  });
}

test('other terms are replayed, opened down to their documents, compared, and given to the accounts', async ({
  page,
}) => {
  await page.goto('/insight/what-if');
  await expect(page.getByRole('heading', { name: 'All charged by the patient policy' })).toBeVisible();
  await page.getByRole('button', { name: /^What if … M$/ }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Ten days for all');
  await page.getByLabel('Terms of the invoices').click();
  await page.getByTitle('n/14').click();
  // What is wrong is named where it stands, and what was typed is kept.
  await page.getByLabel('A discount draws payments from a cost of').fill('much');
  await page.getByRole('button', { name: 'Replay' }).click();
  await expect(dialog(page).getByText(/percentage a year such as 20/)).toBeVisible();
  await page.getByLabel('A discount draws payments from a cost of').fill('');
  await page.getByRole('button', { name: 'Replay' }).click();

  await expect(page.getByRole('heading', { name: 'Ten days for all' })).toBeVisible();
  const figures = page.getByRole('table', { name: 'What happened and what would have' });
  await expect(figures.getByRole('row', { name: /Discounts given .* −/ })).toBeVisible();
  const most = page.getByRole('table', { name: 'Accounts that differ most' });
  await most.getByRole('button').first().click();
  const lines = page.getByRole('dialog').getByRole('table', { name: 'What happened and what would have' });
  await expect(lines.getByText(/INV-\d+/).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(lines).toBeHidden();

  await page.getByRole('checkbox', { name: /^2\/10 n\/30 without its discount beside/ }).click();
  await expect(figures.getByRole('columnheader', { name: '2/10 n/30 without its discount' })).toBeVisible();
  await page.keyboard.press('w');
  await expect(page.getByText('Brings, would have')).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Apply …' }).click();
  await page.getByRole('menuitem', { name: 'Terms n/14' }).click();
  await expect(dialog(page).getByText('Change many accounts at once')).toBeVisible();
  await expect(dialog(page).getByRole('button', { name: /Change \d+ accounts/ })).toBeEnabled();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Drop' }).click();
  await expect(page.getByRole('heading', { name: 'Ten days for all' })).toBeHidden();
});
