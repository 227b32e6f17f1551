import { expect } from '@playwright/test';
import { accessible, dialog, legible } from './steps';
import { test } from './test';

const views = [
  ['/insight/ageing?since=2026-02-16', 'Ageing'],
  ['/insight/measures', 'Side by side'],
  ['/insight/leakage?from=2025-03-01', 'Cases'],
  ['/insight/cash', 'Cash expected'],
  ['/insight/provision', 'Expected credit loss'],
] as const;

for (const theme of ['light', 'dark']) {
  test(`what the book shows over time is accessible in the ${theme} theme`, async ({ page }) => {
    await page.addInitScript((name) => {
      localStorage.setItem('theme', name);
    }, theme);
    for (const [path, table] of views) {
      await page.goto(path);
      await expect(page.getByRole('table', { name: table }).getByRole('row').nth(2)).toBeVisible();
      await (theme === 'light' ? accessible : legible)(page);
    }
  });
}

test('an ageing unfolds, opens its items by keyboard and by mouse, and its band goes back in time', async ({
  page,
}) => {
  await page.goto('/today');
  await expect(page.getByRole('heading', { name: 'Today', level: 1 })).toBeVisible();
  await page.keyboard.press('8');
  await expect(page).toHaveURL(/insight\/ageing/);
  const table = page.getByRole('table', { name: 'Ageing' });
  await expect(table.getByRole('row', { name: /M. Lindqvist GBP/ })).toBeVisible();
  await expect(page.getByText('The totals are what the journal shows')).toBeVisible();
  // Whose line is the first depends on what other tests have posted. The list answers a moment after it is drawn.
  const first = table.locator('[aria-expanded]').first();
  await expect(async () => {
    await page.keyboard.press('ArrowRight');
    await expect(first).toHaveAttribute('aria-expanded', 'true', { timeout: 1000 });
  }).toPass();
  await page.keyboard.press('j');
  await page.keyboard.press('Enter');
  await expect(dialog(page).getByText(/open items? as shown on 16 Mar 2026/)).toBeVisible();
  await page.keyboard.press('Escape');
  const over90 = table
    .getByRole('row', { name: /^Total GBP/ })
    .getByRole('cell')
    .nth(7);
  const amount = await over90.innerText();
  expect(amount).toMatch(/\d/);
  await table
    .getByRole('row', { name: /^Total GBP/ })
    .getByRole('button')
    .first()
    .click();
  await expect(dialog(page).getByRole('table', { name: 'Open items' }).getByRole('row').nth(5)).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'As a table' }).click();
  await expect(page.getByRole('table', { name: /ends of months/ }).getByText('31 Dec 2025')).toBeVisible();
  await page.getByLabel('Added up by').click();
  await page.getByTitle('By terms').click();
  await expect(table.getByRole('button', { name: '2/10 n/30' }).first()).toBeVisible();
  await page.reload();
  await expect(page).toHaveURL(/by=terms/);
  await expect(table.getByRole('button', { name: '2/10 n/30' }).first()).toBeVisible();
});

test('terms that cost more than they bring are found, and the way leads to them', async ({ page }) => {
  await page.goto('/insight/measures?by=terms&from=2025-04-01');
  const side = page.getByRole('table', { name: 'Side by side' });
  await expect(side.getByRole('row', { name: /2\/10 n\/30/ })).toContainText('%');
  await page.keyboard.press('j');
  await expect(page.getByRole('option', { name: /Sales of the period/ })).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('w');
  await expect(dialog(page).getByText('Collection effectiveness')).toBeVisible();
  await expect(dialog(page).getByText('Cost a year')).toBeVisible();
  await page.keyboard.press('Escape');
  await side.getByRole('button', { name: '2/10 n/30' }).click();
  await expect(page.getByRole('button', { name: /2\/10 n\/30: show all accounts/ })).toBeVisible();
  await page.goto('/policies/terms');
  await expect(page.getByText('2/10 n/30').first()).toBeVisible();
});

test('a case of leakage is put right where it is found', async ({ page }) => {
  await page.goto('/insight/leakage?from=2025-03-01&kind=notGranted');
  const cases = page.getByRole('table', { name: 'Cases' });
  await expect(cases.getByRole('row', { name: /Not granted/ }).first()).toBeVisible();
  const before = await page.getByRole('button', { name: /^Not granted/ }).innerText();
  const count = Number(/(\d+) ·/.exec(before)?.[1]);
  await page.keyboard.press('Enter');
  await dialog(page)
    .getByRole('button', { name: /^Give .* missed/ })
    .first()
    .click();
  const grant = page.getByRole('dialog').last();
  await grant.getByLabel('Reason').fill('It was earned, and nobody offered it');
  await expect(grant.getByTestId('effect')).toContainText('Discounts allowed');
  await grant.getByRole('button', { name: 'Give the discount' }).click();
  await expect(page.getByRole('button', { name: new RegExp(`^Not granted ${count - 1} `) })).toBeVisible();
});

test('money expected in a week opens what it is made of, and new rates change the provision', async ({ page }) => {
  await page.goto('/insight/cash');
  await expect(page.getByRole('table', { name: 'Cash expected' }).getByRole('row')).toHaveCount(14);
  await page.keyboard.press('Enter');
  await expect(dialog(page).getByRole('table', { name: 'Expected' }).getByRole('row').nth(2)).toBeVisible();
  await page.keyboard.press('Escape');

  await page.goto('/insight/provision');
  const loss = page.getByText(/^Expected credit loss £/);
  const before = await loss.innerText();
  await page.keyboard.press('m');
  await dialog(page).getByLabel('Not due, %').fill('150');
  await dialog(page).getByLabel('Reason').fill('Shown in a test');
  await dialog(page).getByRole('button', { name: 'Let them hold' }).click();
  await expect(
    dialog(page)
      .getByText(/a percentage/)
      .first(),
  ).toBeVisible();
  await dialog(page).getByLabel('Not due, %').fill('5');
  await dialog(page).getByRole('button', { name: 'Let them hold' }).click();
  await expect(dialog(page)).toHaveCount(0);
  await expect(loss).not.toHaveText(before);
});

test('an account is overlooked for a committee, by mouse and by keyboard', async ({ page }) => {
  await page.goto('/accounts/FOU01');
  await page.getByRole('tab', { name: 'Limit' }).click();
  await page.getByText('Overview of twelve months').click();
  await expect(page.getByRole('table', { name: 'Then and now' })).toBeVisible();
  await accessible(page);
  const panel = page.getByRole('tabpanel', { name: 'Limit' });
  await panel.getByRole('button', { name: 'As a table' }).click();
  await expect(panel.getByRole('table', { name: 'Twelve months' }).getByRole('row')).toHaveCount(13);
  await panel.getByRole('button', { name: 'workings' }).first().focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Average monthly sales with tax')).toBeVisible();
  await page.keyboard.press('Escape');
  const file = await page.request.get('/api/accounts/FOU01/overview/file');
  expect(file.headers()['content-type']).toBe('application/pdf');
  await panel.getByRole('button', { name: 'Export' }).click();
  await page.getByRole('menuitem', { name: /by e-mail on a schedule/ }).click();
  await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('Overview of an account FOU01');
  await dialog(page).getByLabel('To').fill('committee@saltmarsh.example');
  await page.getByRole('button', { name: 'Let it go out' }).click();
  await expect(dialog(page)).toBeHidden();
  await page.goto('/insight/mailed');
  const row = page.getByRole('table', { name: 'Mailed views' }).getByRole('row', { name: /FOU01/ });
  await row.getByRole('button', { name: 'Send now' }).click();
  await expect(page.getByText(/is in the outbox/)).toBeVisible();
  await row.getByRole('link', { name: 'Overview of an account FOU01' }).click();
  await expect(page).toHaveURL(/accounts\/FOU01/);
});

test('a measure opens its documents, and a reason its cases', async ({ page }) => {
  await page.goto('/insight/measures');
  await page.getByRole('option', { name: /Days to pay/ }).click();
  await page.getByRole('button', { name: 'Documents' }).click();
  const documents = page.getByRole('dialog').getByRole('table', { name: 'Documents' });
  await expect(documents.getByRole('columnheader', { name: 'Days late' })).toBeVisible();
  await documents.getByRole('link').first().click();
  await expect(page).toHaveURL(/accounts\/.*item=/);
  await page.goto('/insight/leakage?from=2025-03-01&by=reason');
  await page.getByRole('button', { name: 'As a table' }).click();
  await page.getByRole('table', { name: 'Leakage added up' }).getByRole('button').first().click();
  await expect(page).toHaveURL(/reason=/);
  await page.getByRole('button', { name: /^Reason .*: show all accounts/ }).click();
  await expect(page).not.toHaveURL(/reason=/);
});

test('a view goes out by e-mail on a schedule, through the outbox', async ({ page }) => {
  await page.goto('/insight/provision');
  await page.getByRole('button', { name: 'Export' }).click();
  await page.getByRole('menuitem', { name: /by e-mail on a schedule/ }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Loss for the board');
  await page.getByRole('textbox', { name: 'To' }).fill('nobody');
  await page.getByRole('button', { name: 'Let it go out' }).click();
  await expect(dialog(page).getByText(/Give an e-mail address/)).toBeVisible();
  await page.getByRole('textbox', { name: 'To' }).fill('board@saltmarsh.example');
  await page.getByRole('button', { name: 'Let it go out' }).click();
  await expect(dialog(page)).toBeHidden();
  await page.getByRole('link', { name: 'Mailed', exact: true }).click();
  const row = page.getByRole('table', { name: 'Mailed views' }).getByRole('row', { name: /Loss for the board/ });
  await expect(row.getByText('every Monday')).toBeVisible();
  await accessible(page);
  await row.getByRole('button', { name: 'Send now' }).click();
  await page.goto('/outbox');
  await expect(page.getByText('View Loss for the board').first()).toBeVisible();
  await page.goto('/insight/mailed');
  await row.getByRole('button', { name: 'Drop' }).click();
  await expect(row).toBeHidden();
});
