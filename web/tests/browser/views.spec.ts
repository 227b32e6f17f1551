import { expect } from '@playwright/test';
import { accessible, legible, openAccount } from './steps';
import { test } from './test';

test.beforeEach(({ page }) => {
  page.on('pageerror', (error) => {
    throw error;
  });
});

for (const theme of ['light', 'dark']) {
  test(`every view is accessible in the ${theme} theme`, async ({ page }) => {
    const look = theme === 'light' ? accessible : legible;
    await page.addInitScript((name) => {
      localStorage.setItem('theme', name);
    }, theme);
    for (const [path, ready] of [
      ['/accounts', 'Accounts'],
      ['/cash?show=posted', 'Cash'],
      ['/cash?show=banking', 'Cash'],
      ['/cash?show=refunds', 'Cash'],
      ['/cash?show=journal', 'Cash'],
    ]) {
      await page.goto(path);
      await expect(page.getByRole('heading', { name: ready, level: 1 })).toBeVisible();
      await expect(page.getByRole('row').nth(3)).toBeVisible();
      await look(page);
    }
    await openAccount(page, 'EEL01');
    await look(page);
    for (const [path, heading] of [
      ['terms', 'Try-out: a sample invoice'],
      ['late-charges', 'Try-out: a sample item'],
      ['reminders', 'Try-out: the letter of level 1'],
      ['tax-codes', 'Try-out: tax on a sample invoice'],
      ['reference-rates', 'The rate over time'],
      ['company', 'Currency and rounding'],
    ]) {
      await page.goto(`/policies/${path}`);
      await expect(page.getByRole('heading', { name: heading })).toBeVisible();
      await look(page);
    }
  });
}

test('the board sorts, filters, finds and keeps its view in the address', async ({ page }) => {
  await page.goto('/accounts');
  const rows = page.getByRole('table', { name: 'Accounts' }).getByRole('row');
  await expect(rows.nth(1)).toContainText('Over by');
  await page.getByRole('button', { name: /^Over limit/ }).click();
  await expect(page).toHaveURL(/filter=over-limit/);
  const count = Number((await page.getByRole('button', { name: /^Over limit/ }).innerText()).replace(/\D/g, ''));
  await expect(rows).toHaveCount(count + 1);
  await page.getByRole('button', { name: /^Exposure(?! against)/ }).click();
  await page.reload();
  await expect(rows).toHaveCount(count + 1);
  await expect(page.getByRole('columnheader', { name: /^Exposure(?! against)/ })).toHaveAttribute(
    'aria-sort',
    'ascending',
  );
  await page.getByRole('button', { name: /^All/ }).click();
  await page.getByLabel('Name, code or group').fill('windlass');
  await expect(rows).toHaveCount(4);
  await page.getByText('All to money').click();
  await expect(page).toHaveURL(/scale=money/);
});

test('the board shows any day that is past', async ({ page }) => {
  await page.goto('/accounts?asOf=2024-09-01');
  await expect(page.getByRole('button', { name: /^Over limit 0/ })).toBeVisible();
  await page.goto('/accounts?asOf=2025-12-31&sort=headroom');
  await page.getByRole('table', { name: 'Accounts' }).getByRole('row').nth(1).getByRole('link').click();
  await expect(page.getByText('As at 31 Dec 2025')).toBeVisible();
  await page.getByRole('button', { name: 'back to today' }).click();
  await expect(page.getByText('As at 31 Dec 2025')).toBeHidden();
});

test('the whole of it by keyboard: list, account, next account, workings, back', async ({ page }) => {
  await page.goto('/accounts');
  await expect(page.getByRole('row').nth(3)).toBeVisible();
  await page.keyboard.press('j');
  await page.keyboard.press('j');
  await page.keyboard.press('k');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/accounts\/\w+/);
  await expect(page.getByTestId('to-pay')).toBeVisible();
  const first = page.url();
  await page.keyboard.press('j');
  await expect.poll(() => page.url()).not.toBe(first);
  await page.keyboard.press('w');
  await expect(page.getByRole('dialog').getByText('Exposure and headroom')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/\/accounts\?/);
  const areas = ['today', 'accounts', 'orders', 'cash', 'runs', 'outbox', 'policies'];
  for (const [key, area] of areas.map((a, i) => [String(i + 1), a])) {
    await page.keyboard.press(key);
    await expect(page).toHaveURL(new RegExp(area));
  }
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog').getByText('take a payment')).toBeVisible();
});

test('what is shown is exported', async ({ page, request }) => {
  const csv = await request.get('/api/accounts/export?format=csv&filter=stop');
  const text = await csv.text();
  expect(text.split('\r\n')[0]).toContain('Code,Name,Currency');
  const board = (await (await request.get('/api/accounts?filter=stop')).json()) as { total: number };
  expect(text.trim().split('\r\n')).toHaveLength(board.total + 1);
  await page.goto('/accounts?filter=stop');
  await page.getByRole('button', { name: 'Export' }).click();
  await expect(page.getByRole('link', { name: 'What is shown, as XLSX' })).toHaveAttribute(
    'href',
    /format=xlsx.*|.*filter=stop/,
  );
});

test('a policy is tried out while it is typed and stored as a new version', async ({ page }) => {
  await page.goto('/policies/late-charges');
  await page.getByRole('button', { name: /^STD/ }).click();
  const tryOut = page.getByRole('region', { name: 'Try-out' });
  const before = await tryOut.getByText(/The charge is/).innerText();
  await page.getByLabel('Rate in percent a year').first().fill('9');
  await expect(tryOut.getByText(/The charge is/)).not.toHaveText(before);
  await page.getByLabel('Rate in percent a year').first().fill('nine');
  await expect(tryOut.getByText(/Give a rate in percent a year/)).toBeVisible();
  await page.getByLabel('Rate in percent a year').first().fill('8');
  await page.getByLabel('Reason for the change').fill('Looked over');
  await page.getByRole('button', { name: /Save as version/ }).click();
  await expect(page.getByText(/Version \d+ of STD is stored/)).toBeVisible();
});

test('the amounts of a policy are given for another currency, and what is wrong stands beside its field', async ({
  page,
}) => {
  await page.goto('/policies/late-charges');
  await page.getByRole('button', { name: /^MONTHLY/ }).click();
  const most = page.getByLabel('Maximum per account and run');
  await expect(most.nth(1)).toHaveValue('600.00');
  await most.nth(1).fill('six hundred');
  await page.getByLabel('Reason for the change').fill('Prices abroad');
  await page.getByRole('button', { name: /Save as version/ }).click();
  await expect(page.getByText(/Give an amount in that currency/).first()).toBeVisible();
  await expect(most.nth(1)).toHaveValue('six hundred');
  await most.nth(1).fill('610');
  await page.getByRole('button', { name: /Save as version/ }).click();
  await expect(page.getByText(/Version \d+ of MONTHLY is stored/)).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: /^MONTHLY/ }).click();
  await expect(page.getByLabel('Maximum per account and run').nth(1)).toHaveValue('610.00');
});

test('the letter of a level is drawn while its text is typed', async ({ page }) => {
  await page.goto('/policies/reminders');
  await page.getByRole('button', { name: /^STANDARD/ }).click();
  const letter = page.getByRole('img', { name: 'Letter of level 1' });
  await expect(letter).toBeVisible();
  const before = await letter.getAttribute('src');
  await page.getByLabel('Subject').fill('What is due, {{ customer }}');
  await expect(letter).not.toHaveAttribute('src', before!);
  await page.getByLabel('Subject').fill('What is due, {{ colour }}');
  await expect(page.getByText(/no field ‘colour’. Known fields: customer/)).toBeVisible();
  await page.getByText('Level 3', { exact: true }).click();
  await page.getByLabel('Days after the due date').fill('5');
  await expect(page.getByText(/Each level stands later than the one before/)).toBeVisible();
});

test('of two people changing one policy the second is told and keeps what was typed', async ({ page, request }) => {
  await page.goto('/policies/terms');
  await page.getByRole('button', { name: /^n\/14/ }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('My fortnight');
  const policy = (
    (await (await request.get('/api/policies/terms')).json()) as { code: string; version: number }[]
  ).find((p) => p.code === 'n/14')!;
  await request.put('/api/policies/terms/n/14', {
    data: { text: 'n/14', name: 'Their fortnight' },
    headers: { 'If-Match': `"${policy.version}"` },
  });
  await page.getByRole('button', { name: /Save as version/ }).click();
  await expect(page.getByText(/changed by somebody else/).first()).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('My fortnight');
});

test('narrow and wide windows hold the same work', async ({ page }) => {
  for (const [width, height] of [
    [768, 1024],
    [1920, 1080],
  ]) {
    await page.setViewportSize({ width, height });
    await openAccount(page, 'EEL01');
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    await page.goto('/accounts');
    await expect(page.getByRole('row').nth(3)).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  }
});
