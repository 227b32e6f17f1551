import { expect, type Page } from '@playwright/test';
import { statement } from './statement';
import { accessible } from './steps';
import { test } from './test';

/** Another one each time, so that a second try does not meet the first. */
const mark = `${Date.now() % 1_000_000}`;
async function invoice(page: Page, number: string, date: string) {
  const answer = await page.request.post('/api/accounts/PEL01/invoices', {
    headers: { origin: new URL(page.url()).origin },
    data: { number, date, net: '100', tax: '20', terms: '2/10 n/30' },
  });
  expect(answer.status(), await answer.text()).toBe(200);
}

const line = (page: Page, text: string) => page.getByRole('list', { name: 'Lines of the statement' }).getByText(text);
const inHand = (page: Page) => page.getByRole('region', { name: 'The line in hand' });
const left = (page: Page) => page.locator('.queue-foot');

test('a bank statement is worked off by keyboard: certain, a discount taken late, a payer not known', async ({
  page,
}) => {
  await page.goto('/cash');
  await expect(page.getByRole('heading', { name: 'Cash', level: 1 })).toBeVisible();
  // By hand: 100.00 and 20.00 of tax are 120.00; the 2 % of it, 2.40, ended on 2 March.
  await invoice(page, `CSH-${mark}A`, '2026-03-09');
  await invoice(page, `CSH-${mark}B`, '2026-02-20');

  await page.keyboard.press('b');
  await page.getByLabel('File of bank statements').setInputFiles({
    name: 'statement.xml',
    mimeType: 'application/xml',
    buffer: Buffer.from('<Document'),
  });
  await expect(page.getByRole('dialog').getByRole('alert')).toBeVisible();
  await page.getByLabel('File of bank statements').setInputFiles({
    name: 'statement.xml',
    mimeType: 'application/xml',
    buffer: Buffer.from(
      statement(`T-${mark}`, [
        { amount: '120.00', payer: 'PELLWORM', text: [`CSH-${mark}A`, 'WITH THANKS'] },
        { amount: '117.60', payer: 'PELLWORM', text: [`CSH-${mark}B LESS DISC`] },
        { amount: '55.00', payer: `NOBODY ${mark}`, text: ['THANK YOU'] },
        { amount: '12.50', payer: '', text: ['ACCOUNT CHARGES'], debit: true },
      ]),
    ),
  });
  await expect(page.getByRole('table', { name: 'Statements of the file' })).toContainText(`T-${mark}`);
  await accessible(page);
  await page.getByRole('button', { name: 'Store the statement' }).press('Enter');
  await expect(left(page)).toContainText('280.10');
  await expect(inHand(page).locator('mark')).toHaveText(`CSH-${mark}A`);
  await expect(inHand(page).getByTestId('effect')).toContainText('Receivables');
  await accessible(page);

  await page.keyboard.press('Enter');
  await expect(left(page)).toContainText('160.10');
  await expect(line(page, 'posted as RCT-')).toBeVisible();

  await expect(inHand(page).getByText('taken 14 days late', { exact: false })).toBeVisible();
  await page.keyboard.press('a');
  await expect(page.getByLabel('Reason')).toBeFocused();
  await page.keyboard.type('Agreed on the telephone');
  await expect(inHand(page).getByTestId('effect')).toContainText('Discounts allowed');
  await expect(inHand(page).getByRole('button', { name: 'Post and next' })).toBeEnabled();
  await page.keyboard.press('Enter');
  await expect(left(page)).toContainText('42.50');

  await expect(inHand(page)).toContainText('Nobody is recognised as the payer');
  await page.keyboard.press('u');
  await expect(left(page)).toContainText('12.50');

  await expect(inHand(page)).toContainText('ACCOUNT CHARGES');
  await page.keyboard.press('z');
  await page.getByRole('dialog').getByLabel('Why it is no customer').fill('charges of the bank');
  await page.keyboard.press('Enter');
  await expect(left(page)).toContainText('0.00');
  await expect(line(page, 'put aside: charges of the bank')).toBeVisible();

  // The same file again changes nothing.
  await page.keyboard.press('b');
  await page.getByLabel('File of bank statements').setInputFiles({
    name: 'another-name.xml',
    mimeType: 'application/xml',
    buffer: Buffer.from(statement(`T-${mark}`, [{ amount: '1.00', payer: '', text: [] }])),
  });
  await expect(page.getByRole('dialog')).toContainText('is stored already');
  await page.keyboard.press('Escape');

  await page.getByText('Unassigned', { exact: false }).first().click();
  const receipt = page.getByRole('region', { name: 'The receipt in hand' });
  await page.getByRole('list', { name: 'Unassigned receipts' }).getByText(`NOBODY ${mark}`).click();
  // The receipt answers a moment after it is drawn.
  const account = receipt.getByRole('combobox', { name: 'Account' });
  await expect(async () => {
    await page.keyboard.press('o');
    await expect(account).toBeFocused({ timeout: 1000 });
  }).toPass();
  await page.keyboard.type('PEL01');
  await expect(page.locator('.ant-select-item-option').filter({ hasText: 'PEL01' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(receipt.getByTestId('effect')).toContainText('Unassigned receipts');
  await accessible(page);
  await receipt.getByRole('button', { name: 'Post and next' }).click();
  await expect(page.getByText(/RCT-\d+ is posted on/).last()).toBeVisible();
  await expect(page.getByRole('list', { name: 'Unassigned receipts' })).not.toContainText(`NOBODY ${mark}`);
});

test('the statement of the day is fetched from the bank, and what is certain of it posted together', async ({
  page,
}) => {
  await page.goto('/cash');
  await expect(page.getByRole('heading', { name: 'Cash', level: 1 })).toBeVisible();
  await expect(page.getByRole('button', { name: /Fetch from the bank/ })).toBeVisible();
  await page.keyboard.press('f');
  await expect(page.getByText(/lines, \d+ of them certain/)).toBeVisible();
  const certain = page.getByRole('button', { name: /^Post the \d+ certain/ });
  await expect(certain).toBeVisible();
  await page.keyboard.press('g');
  await expect(page.getByText(/receipts are posted\./)).toBeVisible();
  await expect(certain).toHaveCount(0);
  await page.keyboard.press('f');
  await expect(page.getByText('is stored already', { exact: false })).toBeVisible();
});
