import { execFileSync } from 'node:child_process';
import { expect, type Page } from '@playwright/test';
import PostalMime from 'postal-mime';
import { demoData } from '../../playwright.config';
import { statement } from './statement';
import { accessible, dialog, openAccount } from './steps';
import { test } from './test';

/** Others each time, so that a second try does not meet the first. */
const mark = `${Date.now() % 1_000_000}`;
const code = (letter: string) => `${letter}MO${mark}`;
const invoice = (letter: string) => `${letter}${mark}`;

const ask = async <T>(page: Page, path: string) => (await (await page.request.get(path)).json()) as T;
async function send(page: Page, method: 'post' | 'put', path: string, data: unknown, headers = {}) {
  const answer = await page.request[method](path, {
    headers: { origin: new URL(page.url()).origin, ...headers },
    data,
  });
  expect(answer.status(), await answer.text()).toBeLessThan(300);
}
const list = (page: Page, name: string) => page.getByRole('listbox', { name });
const reason = async (page: Page, text: string) => {
  await dialog(page).getByLabel('Reason').fill(text);
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toHaveCount(0);
};
/** The reference by ISO 11649 whose body is a document number: 98 less the rest of body, R, F, 0, 0 by 97. */
function reference(number: string) {
  const body = number.replace(/[^A-Z0-9]/g, '');
  const digits = [...`${body}RF00`].map((c) => parseInt(c, 36)).join('');
  const rest = [...digits].reduce((r, d) => (r * 10 + Number(d)) % 97, 0);
  return `RF${String(98 - rest).padStart(2, '0')}${body}`;
}
async function propose(page: Page, key: 'c' | 'm', codes: string) {
  await page.goto('/runs');
  await expect(page.getByRole('heading', { name: 'Runs', level: 1 })).toBeVisible();
  await page.keyboard.press(key);
  await dialog(page).getByText('all accounts').click();
  await page.locator('.ant-select-dropdown:visible').getByText('these accounts').click();
  await dialog(page).getByLabel('Codes').fill(codes);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/runs\/\d+/);
}

// All invoices are of 5 January and due on 4 February, 40 days before the business date, at 8 % a year by actual/365: 1,000 bears
// 8.77, 400 bears 3.51, 300 bears 2.63 and 600 bears 5.26, which is shown and never posted. Paid on 20 February, 1,000 bears 16
// days, 3.51: 5.26 is to be taken back.
test('a month: charges, reminders, letters, a payment by reference, a correction, a hand-over', async ({ page }) => {
  await page.goto('/accounts');
  for (const [letter, net, policy, plan] of [
    ['P', '1000', 'STD', 'STANDARD'],
    ['S', '600', 'SHOWN', 'GENTLE'],
    ['D', '400', 'STD', 'STANDARD'],
    ['L', '300', 'STD', 'STANDARD'],
  ]) {
    await send(page, 'post', '/api/accounts', {
      name: `Month ${letter} ${mark}`,
      code: code(letter),
      limit: '20000',
      terms: 'n/30',
      lateChargePolicy: policy,
      reminderPlan: plan,
      email: `${letter}${mark}@month.example`.toLowerCase(),
    });
    const { version } = await ask<{ version: number }>(page, `/api/accounts/${code(letter)}/customer`);
    await send(
      page,
      'put',
      `/api/accounts/${code(letter)}`,
      { customer: { delivery: 'email' }, reason: 'asked for' },
      { 'If-Match': `"${version}"` },
    );
    await send(page, 'post', `/api/accounts/${code(letter)}/invoices`, {
      number: invoice(letter),
      date: '2026-01-05',
      net,
      tax: '0',
    });
  }
  const all = ['P', 'S', 'D', 'L'].map(code).join(' ');

  // A call: what D says is noted in one dialog, with the day to call again.
  await openAccount(page, code('D'));
  await page.keyboard.press('a');
  await dialog(page).getByLabel('What was said').fill('Two drums were missing');
  await dialog(page).getByLabel('Disputes').click();
  await page
    .locator('.ant-select-dropdown:visible')
    .getByText(`${invoice('D')},`, { exact: false })
    .click();
  await dialog(page).getByLabel('Why').fill('Short delivery');
  await dialog(page).getByLabel('Call again on').fill('20 Mar 2026');
  await dialog(page).getByLabel('Call again on').press('Tab');
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Note the call' }).click();
  await expect(page.getByText('The call is noted.')).toBeVisible();
  await expect(page.getByText('400.00 disputed')).toBeVisible();
  await expect(page.getByRole('img', { name: /400\.00 in dispute since 16 Mar 2026: Short delivery/ })).toBeVisible();

  // Charges: what is shown only is left out with what it comes to.
  await propose(page, 'c', all);
  await expect(list(page, 'To post').getByRole('option')).toHaveCount(3);
  await expect(page.locator('.run-head')).toContainText('£14.91');
  await page.getByText(/^Left out \d+/).click();
  await expect(list(page, 'Left out')).toContainText('5.26');
  await page.getByText(/^To post \d+/).click();
  await page.keyboard.press('g');
  await dialog(page)
    .getByRole('button', { name: /^Post 3 charges/ })
    .click();
  await expect(list(page, 'Posted').getByRole('option')).toHaveCount(3);
  await page.getByText('What it brought').click();
  await expect(page.getByRole('table', { name: 'What came of the charges' })).toContainText('£14.91');
  await accessible(page);

  // Reminders: D disputes, L is left out, two letters go.
  await propose(page, 'm', all);
  const ready = list(page, 'To post');
  await expect(ready.getByRole('option')).toHaveCount(3);
  await ready.getByText(`Month L ${mark}`).click();
  await expect(page.getByRole('region', { name: 'The account in hand' })).toContainText(`Month L ${mark}`);
  await expect(page.getByRole('button', { name: /^Leave out/ })).toBeVisible();
  await page.keyboard.press('x');
  await reason(page, 'A new bookkeeper');
  await expect(ready.getByRole('option')).toHaveCount(2);
  await page.getByText(/^Left out \d+/).click();
  await expect(list(page, 'Left out').getByText(/dispute/i)).toBeVisible();
  await page.getByText(/^To post \d+/).click();
  await page.keyboard.press('g');
  await dialog(page)
    .getByRole('button', { name: /^Issue 2 reminders/ })
    .click();
  await expect(list(page, 'Posted').getByRole('option')).toHaveCount(2);
  const { reminders } = await ask<{ reminders: { number: string; total: string }[] }>(
    page,
    `/api/accounts/${code('S')}`,
  );
  expect(reminders.map((r) => r.total)).toEqual(['600.00']);
  const letter = reminders[0].number;

  // The letter arrived, and is opened there.
  await page.goto('/outbox?show=mailbox');
  const mails = page.getByRole('listbox', { name: 'E-mails that arrived' });
  await mails.getByText(`Reminder ${letter} from`, { exact: false }).click({ timeout: 30_000 });
  const mail = page.getByRole('region', { name: 'The e-mail in hand' });
  await expect(mail).toContainText(`s${mark}@month.example`);
  const file = await page.request.get((await mail.getByRole('link', { name: /eml/ }).getAttribute('href')) ?? '');
  const read = await PostalMime.parse(await file.body());
  expect(read.attachments.map((a) => a.filename)).toEqual([`${letter}.pdf`]);

  // The customer pays what the letter asks for, by its reference and without the interest: nothing is left, nothing reversed.
  await page.goto('/cash');
  await expect(page.getByRole('heading', { name: 'Cash', level: 1 })).toBeVisible();
  await page.keyboard.press('b');
  await page.getByLabel('File of bank statements').setInputFiles({
    name: 'month.xml',
    mimeType: 'application/xml',
    buffer: Buffer.from(statement(`MO-${mark}`, [{ amount: '600.00', payer: 'X', text: [reference(letter)] }])),
  });
  await page.getByRole('button', { name: 'Store the statement' }).press('Enter');
  await expect(dialog(page)).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'The line in hand' })).toContainText(`names ${letter}`);
  await expect(page.getByRole('button', { name: 'Post and next' })).toBeEnabled();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/posted as RCT-/).first()).toBeVisible();
  await openAccount(page, code('S'));
  await expect(page.getByText('Nothing is open on this account.')).toBeVisible();
  await expect(page.getByTestId('to-pay')).toContainText('0.00');

  // A receipt of 20 February comes to light: the next run takes back what was charged for the days since.
  await openAccount(page, code('P'));
  await page.keyboard.press('r');
  await dialog(page).getByLabel('Amount received').fill('1000');
  await dialog(page).getByLabel('Value date').fill('20 Feb 2026');
  await dialog(page).getByLabel('Value date').press('Tab');
  await expect(dialog(page).getByText('One item alone needs just this.')).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Post the receipt' }).click();
  await expect(dialog(page)).toHaveCount(0);
  await expect(page.getByText(/5\.26 was raised for days that prove to have been paid/)).toBeVisible();
  await propose(page, 'c', code('P'));
  await expect(page.locator('.run-head')).toContainText('−£5.26');
  await page.keyboard.press('g');
  await dialog(page)
    .getByRole('button', { name: /^Post 1 charge/ })
    .click();
  await expect(list(page, 'Posted').getByRole('option')).toHaveCount(1);
  // 8.77 less 5.26, wherever one looks.
  const { closing } = await ask<{ closing: string }>(page, `/api/accounts/${code('P')}/statement?from=2026-01-01`);
  const { position } = await ask<{ position: { openItems: string } }>(page, `/api/accounts/${code('P')}`);
  const { toPay } = await ask<{ toPay: string }>(page, `/api/accounts/${code('P')}/settlement`);
  expect([closing, position.openItems, toPay]).toEqual(['3.51', '3.51', '3.51']);

  // L goes to an agency; its dossier holds the statement.
  await openAccount(page, code('L'));
  await page.getByRole('tab', { name: /^Reminders/ }).click();
  await page.getByRole('button', { name: 'Hand over' }).click();
  await dialog(page).getByLabel('To', { exact: true }).fill('Harbour Collections');
  await dialog(page).getByLabel('Reason').fill('No answer');
  await dialog(page).getByRole('button', { name: 'Hand over' }).click();
  await expect(page.getByText('With Harbour Collections', { exact: true })).toBeVisible();
  const dossier = await (await page.request.get(`/api/accounts/${code('L')}/dossier.zip`)).body();
  expect(dossier.includes('statement.pdf')).toBe(true);

  // Whatever was done, the books hold.
  const program = '../.build/server/KiteLine.Web.dll';
  expect(execFileSync('dotnet', [program, 'verify', '--demo', '--data', demoData]).toString()).toMatch(
    /hold|sound|nothing/i,
  );
});
