import { expect } from '@playwright/test';
import { accessible, dialog, openAccount } from './steps';
import { test } from './test';

test('a customer’s record is changed in place, and what is wrong is named where it stands', async ({ page }) => {
  await openAccount(page, 'LON01');
  await page.getByRole('tab', { name: 'Customer' }).click();
  await expect(page.getByLabel('Trading name')).toHaveValue('Longshore Climbing Walls');
  await page.getByLabel('Legal name, where it differs').fill('Longshore Walls Limited');
  await page.getByRole('button', { name: 'Add a contact' }).click();
  await page
    .getByLabel(/^Name, contacts/)
    .last()
    .fill('Tess Vane');
  await page
    .getByLabel(/^E-mail, contacts/)
    .last()
    .fill('tess@');
  await page.getByRole('button', { name: 'Add an identifier' }).click();
  await page.getByLabel('Number', { exact: true }).last().fill('GB 980 7806 85');
  await page.getByRole('button', { name: 'Save the record' }).click();
  await expect(page.getByText('Give an e-mail address such as accounts@customer.example.')).toBeVisible();
  await expect(page.getByText('The check digits do not fit; one of the digits is wrong.')).toBeVisible();
  await expect(page.getByLabel('Legal name, where it differs')).toHaveValue('Longshore Walls Limited');
  await accessible(page);
  await page
    .getByLabel(/^E-mail, contacts/)
    .last()
    .fill('tess@longshore.example');
  await page.getByLabel('Number', { exact: true }).last().fill('GB 980 7806 84');
  await page.getByLabel('Reason for the change').fill('Letter of 12 March');
  await page.getByRole('button', { name: 'Save the record' }).click();
  await expect(page.getByText('The record is stored.')).toBeVisible();
  await page.getByRole('tab', { name: 'Changes' }).click();
  await expect(
    page.getByRole('table', { name: 'Changes' }).getByText(/legal name: .*Longshore Walls Limited/),
  ).toBeVisible();
  await expect(page.getByRole('table', { name: 'Changes' }).getByText('Letter of 12 March')).toBeVisible();
});

test('a call is written down and a file kept, and one that is not what it says is refused', async ({ page }) => {
  await openAccount(page, 'LON01');
  await page.getByRole('tab', { name: 'Log' }).click();
  await page.getByLabel('What it was about').fill('Will pay INV-02531 on Friday.');
  await page.getByRole('button', { name: 'Add to the log' }).click();
  await expect(
    page.getByRole('table', { name: 'Contact log' }).getByText('Will pay INV-02531 on Friday.'),
  ).toBeVisible();
  await accessible(page);

  await page.getByRole('tab', { name: 'Files' }).click();
  const file = (name: string, text: string) => ({
    name,
    mimeType: 'application/octet-stream',
    buffer: Buffer.from(text),
  });
  await page.getByLabel('File to keep').setInputFiles(file('terms.pdf', 'no such thing'));
  await expect(page.getByText('The content is not what the ending .pdf says.')).toBeVisible();
  await page.getByLabel('What the file is', { exact: true }).fill('Signed terms');
  await page.getByLabel('File to keep').setInputFiles(file('terms.pdf', '%PDF-1.7 signed'));
  await expect(page.getByRole('link', { name: 'terms.pdf' })).toBeVisible();
  await accessible(page);
  await page.getByRole('button', { name: 'Remove' }).first().click();
  await dialog(page).getByLabel('Reason').fill('Superseded');
  await dialog(page).getByRole('button', { name: 'Remove it' }).click();
  await expect(page.getByRole('link', { name: 'terms.pdf' })).toBeHidden();
});

test('a customer that is there already is pointed out while its double is typed', async ({ page }) => {
  await page.goto('/accounts?new=1');
  const form = dialog(page);
  await form.getByLabel('Name').fill('Pellworm sail');
  await expect(form.getByText(/Pellworm Sail Loft \(PEL01\)/)).toBeVisible();
  await form.getByLabel('Name').fill('Something else');
  await form.getByLabel('E-mail').fill('accounts@oxbow.example');
  await expect(form.getByText(/Oxbow .* has the same e-mail address/)).toBeVisible();
  await form.getByLabel('Number').fill('DE 1');
  await form.getByRole('button', { name: 'Open the account' }).click();
  await expect(form.getByText(/A number of this kind is GB and 9 digits/)).toBeVisible();
  await accessible(page);
});

test('many accounts are changed at once, shown first, and changed back', async ({ page }) => {
  await page.goto('/accounts?q=windlass');
  await expect(page.getByRole('table', { name: 'Accounts' }).getByRole('row')).toHaveCount(4);
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByText('Change many at once').click();
  const form = dialog(page);
  await form.getByLabel('Change', { exact: true }).click();
  await page.locator('.ant-select-dropdown:visible').getByText('Owner', { exact: true }).click();
  await form.getByLabel('to', { exact: true }).fill('N. Newhand');
  await expect(form.getByRole('table', { name: 'What changes' }).getByRole('row')).toHaveCount(3);
  await form.getByRole('button', { name: 'Change 3 accounts' }).click();
  await expect(form.getByText('Give the reason, in a few words.')).toBeVisible();
  await form.getByLabel('Reason').fill('Handed over');
  await accessible(page);
  await form.getByRole('button', { name: 'Change 3 accounts' }).click();
  await expect(page.getByText('Owner is changed on 3 accounts.')).toBeVisible();
  await expect(form.getByText('owner to N. Newhand on 3 accounts')).toBeVisible();
  await form.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('3 accounts have their former value again.')).toBeVisible();
});

test('customers come out as a file and in again, and a bad row is told', async ({ page, request }) => {
  const csv = await (await request.get('/api/exchange/customers?format=csv')).text();
  await page.goto('/accounts');
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByText('Import customers').click();
  const form = dialog(page);
  const send = (name: string, text: string) =>
    form.getByLabel('File to import').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await send('customers.csv', csv);
  await expect(form.getByText(/0 new, 0 changed, \d+ the same/)).toBeVisible();
  await send('customers.csv', 'code,name,email,limit\r\nNEW1,New One,nobody,-1\r\nNEW2,New Two,,100\r\n');
  await expect(form.getByText(/1 refused/)).toBeVisible();
  await expect(form.getByText(/Give an e-mail address such as accounts@customer.example/)).toBeVisible();
  await expect(form.getByRole('button', { name: 'Store them' })).toBeDisabled();
  await accessible(page);
  await form.getByText('Store the good rows and leave the refused ones').click();
  await form.getByRole('button', { name: 'Store them' }).click();
  await expect(page.getByText('1 new and 0 changed customers are stored.')).toBeVisible();
  await openAccount(page, 'NEW2');
});

test('what is wrong with a setting is shown whichever part of the settings is open', async ({ page }) => {
  await page.goto('/policies/company');
  await page.getByRole('tab', { name: 'Payments and posting accounts' }).click();
  await page.getByLabel('IBAN, methods 1').fill('GB00 1234 5678 9012 34');
  await page.getByRole('tab', { name: 'Numbering' }).click();
  await page.getByRole('button', { name: 'Save the settings' }).click();
  await expect(page.getByText('An IBAN of GB has 22 characters and this one has 18', { exact: false })).toBeVisible();
  await expect(page.getByLabel('IBAN, methods 1')).toHaveValue('GB00 1234 5678 9012 34');
});

test('a changed default reaches existing customers only when asked, and shows which', async ({ page }) => {
  await page.goto('/policies/company');
  await page.getByRole('tab', { name: 'New customers and fields' }).click();
  await page.getByLabel('Reminder plan').click();
  await page
    .locator('.ant-select-dropdown:visible')
    .getByText(/^GENTLE:/)
    .click();
  await page.getByRole('button', { name: 'Save the settings' }).click();
  await expect(page.getByText('Existing customers keep what they have.').first()).toBeVisible();
  await page.getByRole('button', { name: 'Reminder plan: STANDARD → GENTLE' }).click();
  const form = dialog(page);
  await expect(form.getByText(/those that have STANDARD now/)).toBeVisible();
  await expect(form.getByRole('table', { name: 'What changes' }).getByRole('row').first()).toContainText('→ GENTLE');
  await accessible(page);
});
