import { expect } from '@playwright/test';
import { accessible, dialog, openAccount } from './steps';
import { test } from './test';

const nobody = { cookies: [], origins: [] };

test.describe('without a session', () => {
  test.use({ storageState: nobody });

  test('a viewer comes in through the page of the demo, sees all and is offered nothing to change', async ({
    page,
  }) => {
    await page.goto('/accounts/LON01');
    await expect(page.getByRole('region', { name: 'People of the demo' })).toBeVisible();
    await accessible(page);
    await page.getByLabel('Name').fill('hale');
    await page.getByLabel('Password').fill('not it at all');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('The name or the password is not right.')).toBeVisible();
    await expect(page.getByLabel('Name')).toHaveValue('hale');
    await page.getByRole('button', { name: 'L. Hale' }).click();
    // The page that was asked for is the one that opens.
    await expect(page.getByTestId('to-pay')).toBeVisible();
    await expect(page.getByRole('button', { name: /^Payment/ })).toHaveCount(0);
    await page.goto('/policies/terms');
    await expect(page.getByText('Managers decide policies')).toBeVisible();
    await expect(page.getByRole('link', { name: 'Users' })).toHaveCount(0);
    await page.getByRole('button', { name: 'Signed in as L. Hale' }).click();
    await page.getByText('Sign out').click();
    await expect(page.getByRole('region', { name: 'People of the demo' })).toBeVisible();
  });

  test('a session that ends in the middle of a form loses nothing that was typed', async ({ page, context }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'R. Adeyemi' }).click();
    await expect(page.getByRole('button', { name: 'Signed in as R. Adeyemi' })).toBeVisible();
    await openAccount(page, 'LON01');
    await page.keyboard.press('s');
    await dialog(page).getByLabel('Reason').fill('Telephoned twice, no answer');
    await dialog(page)
      .getByText(/Watch: every check/)
      .click();
    await context.clearCookies();
    await dialog(page).getByRole('button', { name: 'Change the state' }).click();
    const again = page.getByRole('dialog', { name: 'Your session has ended' });
    await expect(again).toBeVisible();
    await expect(again.getByLabel('Name')).toHaveValue('adeyemi');
    await again.getByLabel('Password').fill('salt-marsh-demo');
    await page.keyboard.press('Enter');
    await expect(again).toHaveCount(0);
    await expect(dialog(page).getByLabel('Reason')).toHaveValue('Telephoned twice, no answer');
    await dialog(page).getByRole('button', { name: 'Change the state' }).click();
    await expect(page.locator('.badge.watch')).toBeVisible();
    await page.getByRole('tab', { name: 'Changes' }).click();
    await expect(page.getByRole('row', { name: /Telephoned twice/ })).toContainText('R. Adeyemi');
  });
});

test('an administrator adds a user with an authority, makes a key and revokes it', async ({ page }) => {
  await page.goto('/policies/users');
  const users = page.getByRole('region', { name: 'Users', exact: true });
  const keys = page.getByRole('region', { name: 'Keys of other programs' });
  await expect(users.getByRole('row', { name: /S. Brandt/ })).toContainText('up to £2,000');
  await accessible(page);
  await page.getByRole('button', { name: 'Add a user' }).click();
  await dialog(page).getByLabel('Full name').fill('J. Marchetti');
  await dialog(page).getByLabel('Signs in as').fill('brandt');
  await dialog(page).getByLabel('Limit the user may grant').fill('3,500.00');
  await dialog(page).getByLabel('Password').fill('short');
  await dialog(page).getByRole('button', { name: 'Add the user' }).click();
  await expect(dialog(page).getByText('at least 12 characters.')).toBeVisible();
  await dialog(page).getByLabel('Password').fill('long-enough-to-do');
  await dialog(page).getByRole('button', { name: 'Add the user' }).click();
  await expect(dialog(page).getByText(/Somebody signs in as .brandt. already/)).toBeVisible();
  await dialog(page).getByLabel('Signs in as').fill('marchetti');
  await dialog(page).getByRole('button', { name: 'Add the user' }).click();
  await expect(users.getByRole('row', { name: /J. Marchetti marchetti Controller up to £3,500 none/ })).toBeVisible();

  await page.getByRole('button', { name: 'Make a key' }).click();
  await dialog(page).getByLabel('Which program will use it').fill('web shop');
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Make the key' }).click();
  await expect(dialog(page).getByLabel('The key')).toHaveValue(/^kl_[0-9a-f]{64}$/);
  await page.keyboard.press('Escape');
  await page
    .getByRole('row', { name: /web shop/ })
    .getByRole('button', { name: 'Revoke' })
    .click();
  await dialog(page).getByRole('button', { name: 'Revoke' }).click();
  await expect(keys.getByRole('row', { name: /web shop/ })).toContainText('revoked');
});
