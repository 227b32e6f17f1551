import { readFileSync } from 'node:fs';
import { expect, type Cookie, type Page } from '@playwright/test';
import { newCompany, newCompanyLog } from '../../playwright.config';
import { accessible, dialog } from './steps';
import { test } from './test';

// A company set up from nothing, in the order in which its own list of steps leads through it.
// Each step can be done once, so a retry would start in the middle.
test.describe.configure({ mode: 'serial', retries: 0 });
test.use({ baseURL: newCompany, storageState: { cookies: [], origins: [] } });

let cookies: Cookie[] = [];
test.beforeEach(({ context }) => context.addCookies(cookies));
test.afterEach(async ({ context }) => {
  cookies = await context.cookies();
});

const steps = (page: Page) => page.getByRole('region', { name: 'Setting up' });

test('the printed code makes the first administrator', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'First administrator' })).toBeVisible();
  await accessible(page);
  await page.getByLabel('Code').fill('ABCD-EFGH-JKLM');
  await page.getByLabel('Name to sign in with').fill('piper');
  await page.getByLabel('Full name').fill('S. Piper');
  await page.getByLabel('Password').fill('gullhaven-2026');
  await page.getByRole('button', { name: 'Become administrator' }).click();
  await expect(page.getByText('This is not the code that the program printed')).toBeVisible();
  const code = /[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}/.exec(readFileSync(newCompanyLog, 'utf8'))![0];
  await page.getByLabel('Code').fill(code);
  await page.getByRole('button', { name: 'Become administrator' }).click();
  await expect(page.getByRole('button', { name: 'Signed in as S. Piper' })).toBeVisible();
});

test('an empty board says what is to be done and leads there', async ({ page }) => {
  await page.goto('/');
  await expect(steps(page).getByText('Setting up: 0 of 8')).toBeVisible();
  await accessible(page);
  await steps(page).getByRole('link', { name: 'Name, address and currency' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Driftwood Chandlers');
  await page.getByLabel('Address at the head of letters').fill('1 Pier Head\nGullhaven');
  await page.getByLabel('Base currency').fill('EUR');
  await expect(page.locator('.ant-select-dropdown:visible .ant-select-item-option-active')).toContainText('EUR');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Save the settings' }).click();
  await expect(steps(page).getByText('Setting up: 1 of 8')).toBeVisible();
});

test('terms, tax, a late-charge policy from a template and a reminder plan are made', async ({ page }) => {
  await page.goto('/policies/terms');
  await page.getByRole('button', { name: 'New terms' }).click();
  await page.getByLabel('Terms in shorthand').fill('2/10 n/45');
  await page.getByRole('button', { name: 'Add the terms' }).click();
  await expect(page.getByText('Version 1 of 2/10 n/45 is stored.')).toBeVisible();

  await page.goto('/policies/tax-codes');
  await page.getByLabel('Code').fill('STANDARD');
  await page.getByLabel('Rate 1, authority 1').fill('Revenue');
  await page.getByRole('button', { name: 'Add the tax code' }).click();
  await expect(page.getByText('Version 1 of STANDARD is stored.')).toBeVisible();

  await page.goto('/policies/reference-rates');
  await page.getByLabel('Code').fill('BANK');
  await page.getByRole('button', { name: 'Add a rate' }).click();
  await page.getByLabel('From', { exact: true }).fill('1 Jan 2020');
  await page.getByLabel('From', { exact: true }).press('Enter');
  await page.getByLabel('Rate in percent a year').fill('4');
  await page.getByRole('button', { name: 'Add the reference rate' }).click();
  await expect(page.getByText('Version 1 of BANK is stored.')).toBeVisible();

  await page.goto('/policies/late-charges');
  await page.getByLabel('Start from').click();
  await page.getByText('Statutory interest by UK law').last().click();
  await page.getByLabel('Code', { exact: true }).fill('STATUTORY');
  await expect(page.getByRole('region', { name: 'Try-out' }).getByText(/BANK of .*, 4 % \+ 8 %/)).toBeVisible();
  await page.getByLabel('Legal maximum rate').fill('11');
  await page.getByLabel('Source of the legal maximum').fill('the Sample Act');
  await expect(
    page.getByRole('region', { name: 'Try-out' }).getByText(/12 % a year is above the 11 % that the Sample Act allows/),
  ).toBeVisible();
  await page.getByLabel('Legal maximum rate').fill('15');
  await page.getByRole('button', { name: 'Add the late-charge policy' }).click();
  await expect(page.getByText('Version 1 of STATUTORY is stored.')).toBeVisible();

  await page.goto('/policies/reminders');
  await page.getByLabel('Code').fill('LETTERS');
  await expect(page.getByRole('img', { name: 'Letter of level 1' })).toBeVisible();
  await page.getByRole('button', { name: 'Add a level' }).click();
  await page.getByLabel('Fee', { exact: true }).click();
  await page.getByText('a percentage of the overdue amount').click();
  await page.getByLabel('Percentage', { exact: true }).fill('2');
  await page.getByLabel('Add a language').click();
  await page.getByTitle('fr', { exact: true }).click();
  await page.getByLabel('Subject').fill('Rappel : {{ overdue }}');
  await accessible(page);
  await page.getByRole('button', { name: 'Add the reminder plan' }).click();
  await expect(page.getByText('Version 1 of LETTERS is stored.')).toBeVisible();
});

test('a customer made with two fields trades under the company’s defaults', async ({ page }) => {
  await page.goto('/policies/company');
  await page.getByRole('tab', { name: 'New customers and fields' }).click();
  for (const [label, value] of [
    ['Late-charge policy', 'STATUTORY'],
    ['Reminder plan', 'LETTERS'],
    ['Tax code', 'STANDARD'],
  ]) {
    await page.getByLabel(label).click();
    await page.locator('.ant-select-dropdown:visible .ant-select-item-option').filter({ hasText: value }).click();
  }
  await page.getByRole('button', { name: 'Save the settings' }).click();
  await expect(steps(page).getByText('Setting up: 6 of 8')).toBeVisible();

  await page.keyboard.press('Escape');
  await page.goto('/accounts?new=1');
  await dialog(page).getByLabel('Name').fill('Sandpiper Boats');
  await dialog(page).getByLabel('Limit').fill('4000');
  await dialog(page).getByRole('button', { name: 'Open the account' }).click();
  await expect(page.getByRole('heading', { name: 'Sandpiper Boats' })).toBeVisible();

  await page.getByRole('tab', { name: 'Ledger' }).click();
  await page.getByRole('button', { name: 'Add an open document' }).click();
  const form = dialog(page);
  await form.getByLabel('Document number').fill('Opening balance');
  await form.getByLabel('Date', { exact: true }).fill('2 Jan 2026');
  await form.getByLabel('Date', { exact: true }).press('Enter');
  await form.getByLabel('Amount, EUR').fill('1200.00');
  await expect(form.getByText(/enter each open document with its own date and number/)).toBeVisible();
  await form.getByLabel('Document number').fill('R-100');
  await expect(form.getByTestId('effect')).toContainText('Opening balances');
  await accessible(page);
  await form.getByRole('button', { name: 'Add the document' }).click();
  await expect(page.getByText('R-100 is added.')).toBeVisible();
  await form.getByRole('button', { name: 'Close' }).click();

  // Long overdue by now: the fixed sum of the policy and the plan's letter are due.
  await expect(page.getByRole('row', { name: /Late charges to this day/ })).toContainText('BANK + 8% a year');
  await page.keyboard.press('m');
  await expect(dialog(page).getByText('Level 1')).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Issue the reminder' }).click();
  await expect(page.getByText(/Reminder REM-00001 is issued/)).toBeVisible();

  // All that was open before is in.
  await page.goto('/policies/company');
  await expect(steps(page).getByText('Setting up: 7 of 8')).toBeVisible();
  await steps(page).getByRole('button', { name: 'End setting up' }).click();
  await expect(dialog(page)).toContainText('then take authority to write off');
  await dialog(page).getByRole('button', { name: 'End setting up' }).click();
  await expect(steps(page)).toHaveCount(0);
});
