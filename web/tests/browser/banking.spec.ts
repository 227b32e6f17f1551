import { expect, type Page } from '@playwright/test';
import { statement } from './statement';
import { test } from './test';

/** Another one each time, so that a second try does not meet the first. */
const mark = `${Date.now() % 1_000_000}`;

const said = (page: Page, text: string | RegExp) => expect(page.getByText(text).first()).toBeVisible();

async function post(page: Page, path: string, data: unknown) {
  const answer = await page.request.post(path, { headers: { origin: new URL(page.url()).origin }, data });
  expect(answer.status(), await answer.text()).toBe(200);
  return (await answer.json()) as { number: string };
}

test('a cheque is banked, money goes back, the bank’s lines settle both, and the journal is handed over, by keyboard', async ({
  page,
}) => {
  await page.goto('/cash?show=banking');
  await expect(page.getByRole('heading', { name: 'To be banked' })).toBeVisible();
  const cheque = await post(page, '/api/accounts/PEL01/receipts', {
    valueDate: '2026-03-16',
    cash: '77.70',
    method: 'CHEQUE',
    reference: `cheque ${mark}`,
    items: [],
  });

  // Banked: alone on its slip.
  await page.reload();
  const waiting = page.getByRole('table', { name: 'Receipts to be banked' });
  await expect(waiting.getByText(cheque.number)).toBeVisible();
  const boxes = await waiting.getByRole('checkbox').evaluateAll((all) => all.map((b) => b.getAttribute('aria-label')));
  for (const name of boxes)
    if (name !== `Put ${cheque.number} on the slip`) await waiting.getByLabel(name ?? '').uncheck();
  await page.getByRole('heading', { name: 'To be banked' }).click();
  await page.keyboard.press('s');
  await said(page, 'The slip is written.');
  await expect(waiting.getByText(cheque.number)).toBeHidden();
  const slips = page.getByRole('table', { name: 'Paying-in slips' });
  await expect(slips.getByRole('row').nth(1)).toContainText('77.70waits');
  const slip = (await slips.getByRole('row').nth(1).getByRole('button').textContent()) ?? '';

  // Until the bank has credited it, the receipt comes off the slip, which is void then, and onto it again.
  await slips.getByRole('button', { name: slip }).click();
  const onSlip = page.getByRole('dialog').first();
  for (const [button, then] of [
    ['Take off', 'the slip is void'],
    ['Put on', 'the bank has not credited it yet'],
  ] as const) {
    await onSlip.getByRole('row', { name: cheque.number }).getByRole('button', { name: button }).click();
    const asked = page.getByRole('dialog').last();
    await asked.getByLabel('Reason').fill(`counted again ${mark}`);
    await asked.getByLabel('Reason').press('Enter');
    await expect(onSlip).toContainText(then);
  }
  await page.keyboard.press('Escape');

  // Paid back: wrong input is named and kept.
  await page.goto('/accounts/PEL01');
  await expect(page.getByRole('button', { name: /Pay back/ })).toBeVisible();
  await page.keyboard.press('p');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('Pay back to Pellworm Sail Loft')).toBeVisible();
  for (const name of await dialog
    .getByRole('checkbox')
    .evaluateAll((all) => all.map((b) => b.getAttribute('aria-label'))))
    await dialog.getByLabel(name ?? '').uncheck();
  await dialog.getByLabel(`Take it from ${cheque.number}`).check();
  await dialog.getByLabel('To the bank account').fill('GB33BUKB20201555555556');
  await dialog.getByLabel('Reason').fill(`paid twice ${mark}`);
  await dialog.getByLabel('Amount', { exact: true }).fill('77.70');
  await said(page, 'The check digits of this IBAN do not fit');
  await dialog.getByLabel('To the bank account').fill('GB33BUKB20201555555555');
  await expect(dialog.getByRole('table', { name: 'Journal' })).toContainText('Refunds in transit');
  await expect(dialog.getByLabel('Reason')).toHaveValue(`paid twice ${mark}`);
  await dialog.getByLabel('Reason').press('Enter');
  await said(page, 'It is posted.');

  // Ordered from the bank.
  await page.goto('/cash?show=refunds');
  const refunds = page.getByRole('table', { name: 'Refunds' });
  const mine = refunds.getByRole('row').nth(1);
  await expect(mine).toContainText('waits to be ordered');
  const refund = /RFD-\d+/.exec((await mine.textContent()) ?? '')?.[0] ?? '';
  await page.keyboard.press('o');
  await expect(mine).toContainText('ordered from the bank');

  // The bank's lines settle both.
  const file = statement(`B${mark}`, [
    { amount: '77.70', payer: '', text: [`PAYING IN ${slip}`] },
    { amount: '77.70', payer: '', text: [`REFUND ${refund}`], debit: true },
  ]);
  const stored = await page.request.post('/api/bank/statements', {
    headers: { origin: new URL(page.url()).origin },
    data: file,
  });
  expect(await stored.text()).toContain('"problems":[]');
  await page.goto('/cash');
  const lines = page.getByRole('list', { name: 'Lines of the statement' });
  await expect(lines.getByText(`credits slip ${slip}`)).toBeVisible();
  await expect(lines.getByText(`pays refund ${refund}`)).toBeVisible();
  const inHand = page.getByRole('region', { name: 'The line in hand' });
  await expect(inHand.getByRole('button', { name: /Settle it/ })).toBeEnabled();
  await page.keyboard.press('Enter');
  await said(page, `${slip} is settled.`);
  await expect(inHand).toContainText(refund);
  await expect(inHand.getByRole('button', { name: /Settle it/ })).toBeEnabled();
  await page.keyboard.press('Enter');
  await said(page, `${refund} is settled.`);
  await page.goto('/cash?show=refunds');
  await expect(mine).toContainText('paid by the bank');

  // Handed over: nothing is left, and everything balances.
  await page.goto('/cash?show=journal');
  await expect(page.getByTestId('journal-GBP')).toContainText('All in GBP');
  const sums = await page.getByTestId('journal-GBP').getByRole('cell').allTextContents();
  expect([sums[1], sums[4]]).toEqual(['—', '—']);
  expect(sums[2]).toBe(sums[3]);
  await page.keyboard.press('h');
  await said(page, 'Everything that is posted was handed over.');
  const handed = page.getByRole('table', { name: 'Hand-overs' }).getByRole('row').nth(1);
  const csv = await page.request.get((await handed.getByRole('link', { name: /CSV/ }).getAttribute('href')) ?? '');
  expect(await csv.text()).toContain(refund);

  // An account opens its lines, a line its entry, and Esc leads back.
  await page.keyboard.press('j');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('table', { name: 'Lines' }).getByRole('row').nth(1)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog').getByRole('table', { name: 'Journal' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('journal-GBP')).toBeVisible();
});
