import { expect } from '@playwright/test';
import { accessible } from './steps';
import { test } from './test';

test('shorthand and rows are two views of the same terms', async ({ page }) => {
  await page.goto('/policies/terms');
  await page.getByRole('button', { name: 'New terms' }).click();
  const text = page.getByLabel('Terms in shorthand');
  await text.fill('3/7, 1/14 n/45');
  await expect(page.getByLabel('Discount 2: percent')).toHaveValue('1');
  await expect(page.getByLabel('Discount 2: days')).toHaveValue('14');
  await page.getByLabel('Discount 1: percent').fill('2.5');
  await expect(text).toHaveValue('2.5/7, 1/14 n/45');
  await page.getByRole('button', { name: 'Add an instalment' }).click();
  await expect(text).toHaveValue('2.5/7, 1/14, 50% now, rest 45');
  const tryOut = page.getByRole('region', { name: 'Try-out' });
  await expect(tryOut.getByText('2.5% = 30.00')).toBeVisible();
  await expect(tryOut.getByText('600.00').first()).toBeVisible();

  await text.fill('2/1x n/30');
  await expect(page.getByText(/position 4/)).toBeVisible();
  await text.fill('2/10 n/90');
  await expect(tryOut.getByText(/due only after 90 days/)).toBeVisible();
  await page.getByLabel('Printed on the invoice').fill('{{ totals }}');
  await expect(tryOut.getByText(/There is no field ‘totals’/)).toBeVisible();
  await page.getByLabel('Printed on the invoice').fill('{{ total }} by {{ due }}');
  await expect(tryOut.getByText('1,200.00 GBP by 14 Jun 2026')).toBeVisible();
  await page.getByLabel('Code').fill('LONG');
  await accessible(page);
  await page.getByRole('button', { name: 'Add the terms' }).click();
  await expect(page.getByText('Version 1 of LONG is stored.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save as version 2' })).toBeVisible();
  await page.getByText('History: 1 version').click();
  await expect(page.getByRole('table', { name: 'Changes' }).getByText('created')).toBeVisible();
});

test('a tax code must add up, and shows what it taxes', async ({ page }) => {
  await page.goto('/policies/tax-codes');
  await page.getByRole('button', { name: 'New tax code' }).click();
  await page.getByLabel('Code').fill('COAST');
  await page.getByLabel('Rate 1, authority 1').fill('Coast office');
  await page.getByLabel('Rate 1, part 1').fill('12');
  const tryOut = page.getByRole('region', { name: 'Try-out' });
  await expect(tryOut.getByText('The parts add up to 12 %, not to 20 %.')).toBeVisible();
  await page.getByLabel('Together').fill('12');
  await expect(tryOut.getByRole('row', { name: 'Tax, 12 % 122.16' })).toBeVisible();
  await accessible(page);
  await page.getByRole('button', { name: 'Add the tax code' }).click();
  await expect(page.getByText('Version 1 of COAST is stored.')).toBeVisible();
});

test('a calendar is read from a file and typed in', async ({ page }) => {
  await page.goto('/policies/calendars');
  await page.getByRole('button', { name: 'New calendar' }).click();
  const file = (text: string) => ({ name: 'days.ics', mimeType: 'text/calendar', buffer: Buffer.from(text) });
  await page.locator('input[type=file]').setInputFiles(file('nothing of the kind'));
  await expect(page.getByText(/no iCalendar file/)).toBeVisible();
  await page
    .locator('input[type=file]')
    .setInputFiles(
      file(
        'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//t//EN\r\n' +
          'BEGIN:VEVENT\r\nUID:1\r\nDTSTART;VALUE=DATE:20200504\r\n' +
          'RRULE:FREQ=YEARLY\r\nSUMMARY:Spring day\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n',
      ),
    );
  await expect(page.getByLabel('Holiday 1: name')).toHaveValue('Spring day');
  await expect(page.getByRole('heading', { name: '2026: 1 holiday' })).toBeVisible();
  await page.getByLabel('Code').fill('FILE');
  await accessible(page);
  await page.getByRole('button', { name: 'Add the calendar' }).click();
  await expect(page.getByText('Version 1 of FILE is stored.')).toBeVisible();
});
