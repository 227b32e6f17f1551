import { expect, type Page } from '@playwright/test';
import PostalMime from 'postal-mime';
import { accessible, dialog, legible, openAccount } from './steps';
import { test } from './test';

const messages = (page: Page) => page.getByRole('listbox', { name: 'Messages' });
const inHand = (page: Page) => page.getByRole('region', { name: 'The message in hand' });

test('what failed is tried again, what is held back goes out, and both are read in the mailbox', async ({ page }) => {
  await page.goto('/outbox?show=failed');
  await expect(messages(page).getByRole('option').first()).toBeVisible();
  await accessible(page);
  await legible(page);
  const tried = (await messages(page).locator('b').first().textContent()) ?? '';
  await expect(inHand(page)).toContainText('It was not sent');
  await page.keyboard.press('a');
  await expect(messages(page).getByText(tried, { exact: true })).toHaveCount(0);
  await page.goto('/outbox?show=held');
  const held = (await messages(page).locator('b').first().textContent()) ?? '';
  await expect(inHand(page)).toContainText(held);
  await page.keyboard.press('r');
  await expect(messages(page).getByText(held, { exact: true })).toHaveCount(0);

  await page.goto('/outbox?show=mailbox');
  const mails = page.getByRole('listbox', { name: 'E-mails that arrived' });
  for (const name of [tried, held])
    await expect(mails.getByText(`${name} from Saltmarsh`, { exact: false })).toBeVisible({ timeout: 20_000 });
  await accessible(page);
  await mails.getByText(`${tried} from Saltmarsh`, { exact: false }).click();
  const mail = page.getByRole('region', { name: 'The e-mail in hand' });
  await expect(mail).toContainText('accounts@saltmarsh.example');
  await expect(mail).toContainText(`${tried.split(' ')[1]}.pdf`);

  // What went over the line, read by another program than the one that wrote it.
  const file = await page.request.get((await mail.getByRole('link', { name: /eml/ }).getAttribute('href')) ?? '');
  const read = await PostalMime.parse(await file.body());
  expect(read.from).toEqual({ name: 'Saltmarsh accounts', address: 'accounts@saltmarsh.example' });
  expect(read.subject).toBe(`${tried} from Saltmarsh Cordage & Canvas`);
  expect(read.text).toMatch(/for [0-9,]+\.\d\d GBP, to be paid by/);
  expect(read.attachments.map((a) => [a.filename, a.mimeType])).toContainEqual([
    `${tried.split(' ')[1]}.pdf`,
    'application/pdf',
  ]);
  expect(
    Buffer.from(read.attachments[0]?.content as ArrayBuffer)
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test('what waits on paper is printed together and marked', async ({ page }) => {
  await page.goto('/outbox?show=print');
  await expect(messages(page).getByRole('option').first()).toBeVisible();
  await page.keyboard.press('p');
  const mark = dialog(page).getByRole('button', { name: /^Mark \d+ as printed/ });
  await expect(mark).toBeEnabled();
  const waiting = await dialog(page).getByRole('row').count();
  await expect(mark).toHaveText(`Mark ${waiting - 1} as printed`);
  const file = await page.request.get('/api/outbox/to-print.pdf');
  expect((await file.body()).subarray(0, 5).toString()).toBe('%PDF-');
  await mark.click();
  await expect(dialog(page)).toHaveCount(0);
  await expect(page.getByText('Nothing waits to be printed.')).toBeVisible();
});

test('a document is sent from the history to another address; a wrong one is named', async ({ page }) => {
  await openAccount(page, 'PEL01');
  await page.getByRole('tab', { name: 'Documents' }).click();
  await page
    .getByRole('button', { name: /^Send INV-/ })
    .last()
    .click();
  await dialog(page).getByLabel('By').click();
  await page.getByTitle('e-mail', { exact: true }).click();
  await dialog(page).getByLabel('E-mail, if to another address').fill('nowhere');
  await expect(dialog(page)).toContainText('Give an e-mail address such as');
  await dialog(page).getByLabel('E-mail, if to another address').fill('desk@pellworm.example');
  await expect(dialog(page)).toContainText('To desk@pellworm.example');
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Put into the outbox' }).click();
  await expect(page.getByText('goes to desk@pellworm.example')).toBeVisible();
});
