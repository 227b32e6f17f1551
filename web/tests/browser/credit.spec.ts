import { expect, type Page } from '@playwright/test';
import { accessible, amount, dialog, openAccount } from './steps';
import { test } from './test';

test.use({ storageState: { cookies: [], origins: [] } });

async function signInAs(page: Page, name: string) {
  await page.goto('/');
  const out = page.getByRole('button', { name: /^Signed in as/ });
  await expect(out.or(page.getByRole('button', { name: 'Sign in', exact: true }))).toBeVisible();
  if (await out.isVisible()) {
    await out.click();
    await page.getByText('Sign out').click();
  }
  await page.getByRole('button', { name, exact: true }).click();
  await expect(page.getByRole('button', { name: `Signed in as ${name}` })).toBeVisible();
}

/** Another one each time, so that a second try does not meet the first. */
const number = `SO-${Date.now() % 1_000_000}`;

test('an order over the limit, an uplift approved by somebody else, the release and the invoice', async ({ page }) => {
  await signInAs(page, 'R. Adeyemi');
  await page.goto('/orders?new=1');
  await dialog(page).getByLabel('Account').fill('ASH01');
  await page.keyboard.press('Tab');
  await dialog(page).getByLabel('Order number').fill(number);
  await dialog(page).getByLabel('Total with tax').fill('5,000.00');
  await dialog(page).getByRole('button', { name: 'Check', exact: true }).click();
  await expect(dialog(page).getByText('Refused')).toBeVisible();
  await expect(dialog(page).getByText(/Over the limit by 5,\d+\.\d\d GBP/)).toBeVisible();
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'workings' }).first().click();
  await expect(page.getByRole('row', { name: /Effective limit/ }).last()).toBeVisible();
  await page.keyboard.press('Escape');
  await dialog(page).getByRole('button', { name: 'Take it, held' }).click();
  await expect(page.getByText(`${number} is taken and held.`)).toBeVisible();

  // Above the own authority: the uplift is asked for.
  await openAccount(page, 'ASH01');
  await page.keyboard.press('l');
  await dialog(page).getByText('Uplift for a time').click();
  await dialog(page).getByLabel('Added to the limit').fill('20000');
  await dialog(page).getByRole('button', { name: 'Grant the uplift' }).click();
  await expect(dialog(page).getByText('Give the reason, in a few words.').first()).toBeVisible();
  await dialog(page).getByLabel('Reason').fill('Season order, known for years');
  await dialog(page).getByRole('button', { name: 'Grant the uplift' }).click();
  await expect(page.getByText('This lies above your authority')).toBeVisible();
  await page.getByRole('tab', { name: 'Limit' }).click();
  const request = page.getByRole('table', { name: 'Limits asked for' });
  await expect(request.getByRole('button', { name: 'Withdraw' })).toBeVisible();
  await expect(request.getByRole('button', { name: 'Approve' })).toHaveCount(0);

  await signInAs(page, 'P. Rowntree');
  await page.goto('/today?kind=approval');
  const entry = page.getByRole('listitem').filter({ hasText: 'Ashlode Fisheries' });
  await expect(entry).toContainText('R. Adeyemi asks for a limit of');
  await accessible(page);
  await entry.getByRole('button', { name: /^Approve/ }).click();
  await expect(page.getByText('Ashlode Fisheries: the limit is approved.')).toBeVisible();
  await expect(entry).toHaveCount(0);

  await signInAs(page, 'R. Adeyemi');
  await page.goto('/orders');
  await page.getByRole('button', { name: `${number} · Ashlode Fisheries` }).click();
  const order = page.getByRole('region', { name: `Order ${number}` });
  await expect(order.getByText('Passes').or(order.getByText('Go on, informed'))).toBeVisible();
  await accessible(page);
  await page.keyboard.press('r');
  // What it does is shown before it is done; more than is held can't be released.
  await expect(dialog(page).getByTestId('effect')).toContainText('is then approved, nothing held');
  await dialog(page).getByLabel('Amount').fill('999,999.00');
  await expect(dialog(page).getByText('Release at most what is held of the order.')).toBeVisible();
  await dialog(page).getByLabel('Amount').fill('');
  await accessible(page);
  await dialog(page).getByLabel('Reason').fill('Uplift approved');
  await dialog(page).getByRole('button', { name: 'Release' }).click();
  await expect(page.getByText(`${number}: release is stored.`)).toBeVisible();

  await page.goto('/orders?show=open');
  await page.getByRole('button', { name: `${number} · Ashlode Fisheries` }).click();
  await expect(order.getByText('Approved').first()).toBeVisible();
  await page.keyboard.press('v');
  await dialog(page).getByLabel('Net').fill('5000.00');
  await dialog(page).getByLabel('Tax').fill('1000.00');
  await expect(dialog(page).getByText(/More is invoiced than is approved/)).toBeVisible();
  await dialog(page).getByLabel('Net').fill('4166.67');
  await dialog(page).getByLabel('Tax').fill('833.33');
  await expect(dialog(page).getByTestId('effect')).toContainText('Output tax');
  await dialog(page).getByRole('button', { name: 'Post the invoice' }).click();
  await expect(page.getByText(/Invoice INV-\d+ is posted\./)).toBeVisible();
  await expect(page.getByRole('button', { name: `${number} · Ashlode Fisheries` })).toHaveCount(0);

  // What was an order is an item now, and counts once.
  const all = await page.request.get('/api/accounts/ASH01').then((r) => r.json());
  const found = all.orders.find((o: { number: string }) => o.number === number);
  expect(found.state).toBe('invoiced');
  expect(Number(all.position.exposure)).toBeCloseTo(
    Number(all.position.openItems) + Number(all.position.uncleared) + Number(all.position.orders),
    2,
  );
  expect(all.items.some((i: { opened: string }) => i.opened === '5000.00')).toBe(true);
});

test('Today is worked by keyboard: what is put off goes, and comes back when taken up', async ({ page }) => {
  await signInAs(page, 'P. Rowntree');
  const rows = page.getByRole('list', { name: 'To decide' }).locator('> li');
  await expect(rows.nth(3)).toBeVisible();
  const total = await amount(page.getByRole('button', { name: /^All \d+/ }));
  const first = await rows.first().innerText();
  await page.keyboard.press('j');
  await page.keyboard.press('k');
  await page.keyboard.press('p');
  await dialog(page).getByRole('button', { name: '3 days' }).click();
  await expect(page.getByRole('button', { name: `All ${total - 1}` })).toBeVisible();
  expect(await rows.first().innerText()).not.toBe(first);
  await page.getByRole('button', { name: /^Put off 1/ }).click();
  await accessible(page);
  // The keys work on what is in sight: nothing of the list behind is decided or put off from here.
  await page.keyboard.press('p');
  await expect(dialog(page)).toBeHidden();
  await page.getByRole('button', { name: 'Take up again' }).click();
  await expect(page.getByText('Nothing is put off.')).toBeVisible();
  await page.getByRole('button', { name: `All ${total}` }).click();
  await expect(rows.first()).toBeVisible();
  expect(await rows.first().innerText()).toBe(first);

  // A lapsed review is confirmed with its next date, and is done.
  await page.goto('/today?kind=reviewLapsed');
  const lapsed = await amount(page.getByRole('button', { name: /^Review lapsed \d+/ }));
  await rows
    .filter({ hasNotText: 'group' })
    .first()
    .getByRole('button', { name: /^Review/ })
    .click();
  await dialog(page).getByLabel('Reason').fill('Yearly review, accounts seen');
  await dialog(page).getByRole('button', { name: 'Confirm the limit' }).click();
  await expect(page.getByText('The limit is changed.')).toBeVisible();
  await expect(page.getByRole('button', { name: `Review lapsed ${lapsed - 1}` })).toBeVisible();
});

test('groups unfold, conditions combine, columns and views are kept', async ({ page }) => {
  await signInAs(page, 'M. Lindqvist');
  await page.goto('/accounts?by=group');
  await page.getByRole('button', { name: 'Accounts of Fairwater Group' }).click();
  await expect(
    page.getByRole('table', { name: 'Groups' }).getByRole('link', { name: 'Nettlecombe Event Canvas' }),
  ).toBeVisible();
  await accessible(page);
  // The groups hold to the same conditions as the accounts, and are walked by keyboard.
  await page.goto('/accounts?by=group&filter=overdue');
  await expect(page.getByRole('row', { name: /Fairwater Group.* of 6 accounts/ })).toBeVisible();
  await page.keyboard.press('j');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'Accounts of Fairwater North' })).toHaveAttribute(
    'aria-expanded',
    'true',
  );
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Fairwater North' })).toBeVisible();
  await page.keyboard.press('w');
  await expect(
    dialog(page)
      .getByText(/at 0\.\d+ of 16 Mar 2026/)
      .first(),
  ).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('region', { name: 'Forecast' }).getByRole('button', { name: 'workings' }).click();
  await expect(dialog(page).getByText('Exposure then')).toBeVisible();
  await page.keyboard.press('Escape');
  await accessible(page);

  await page.goto('/accounts?sort=-overdue');
  await expect(page.getByRole('row').nth(3)).toBeVisible();
  await page.getByRole('button', { name: 'Conditions' }).click();
  await page.getByLabel('Overdue from').fill('5,000');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/overdueFrom=5000/);
  await page.getByLabel('Oldest from, days').fill('60');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^\d+ of 84 accounts$/)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('checkbox', { name: 'Review by' }).click();
  await page.getByRole('checkbox', { name: 'Limit', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'Review by' })).toBeVisible();
  await expect(page.getByRole('columnheader', { name: 'Limit', exact: true })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Views' }).click();
  await page.getByText('Keep what is shown').click();
  await dialog(page).getByLabel('Name of the view').fill('Old and large');
  await dialog(page).getByRole('button', { name: 'Keep the view' }).click();
  await expect(dialog(page)).toHaveCount(0);
  await page.goto('/accounts');
  await page.getByRole('button', { name: 'Views' }).click();
  await page.getByRole('menuitem', { name: /Old and large/ }).click();
  await expect(page).toHaveURL(/overdueFrom=5000.*ageFrom=60/);
  await page.getByRole('button', { name: 'Take off Overdue from' }).click();
  await expect(page).not.toHaveURL(/overdueFrom/);
  await page.goto('/accounts?since=2026-02-16&sort=-change');
  await expect(page.getByRole('columnheader', { name: /Change/ })).toBeVisible();
  await accessible(page);
});

test('orders come in from a file, a promise and a dispute are noted, a rate is added', async ({ page }) => {
  await signInAs(page, 'P. Rowntree');
  await page.goto('/orders');
  await page.getByRole('button', { name: 'Import orders' }).click();
  await page.locator('input[type=file]').setInputFiles({
    name: 'orders.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'account,number,date,amount,delivery\nTAR01,F-1,2026-03-16,100.00,2026-04-01\n' +
        'TAR01,F-1,2026-03-16,50.00,2026-05-01\nNOBODY,F-2,2026-03-16,5,\nTAR01,F-3,soon,5,\n',
    ),
  });
  await expect(
    dialog(page).getByText(
      /orders.csv: 1 would be approved, 0 held, 2 refused|orders.csv: 0 would be approved, 1 held, 2 refused/,
    ),
  ).toBeVisible();
  await expect(dialog(page).getByText('There is no account with the code, identifier or name ‘NOBODY’.')).toBeVisible();
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Take the good ones' }).click();
  await expect(page.getByText(/\d approved, \d held\./)).toBeVisible();

  await openAccount(page, 'LON01');
  await page.getByRole('tab', { name: 'Promises and disputes' }).click();
  await page.getByRole('button', { name: 'Note a promise' }).click();
  await dialog(page).getByLabel('Amount, GBP').fill('500');
  await dialog(page).getByLabel('Who promised').fill('Ada');
  await dialog(page).getByRole('button', { name: 'Note the promise' }).click();
  await expect(
    page.getByRole('table', { name: 'Promises' }).getByRole('row', { name: /500\.00 — open Ada/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Note a dispute' }).click();
  await dialog(page).getByLabel('Reason').fill('Wrong colour');
  await dialog(page).getByRole('button', { name: 'Note the dispute' }).click();
  await expect(page.getByRole('table', { name: 'Disputes' })).toContainText('Wrong colour');
  await accessible(page);
  await page.getByRole('table', { name: 'Disputes' }).getByRole('button', { name: 'Settle' }).click();
  await dialog(page).getByLabel('Outcome').fill('Replaced');
  await dialog(page).getByRole('button', { name: 'Settle' }).click();
  await expect(page.getByRole('table', { name: 'Disputes' })).toContainText('Replaced');

  await page.goto('/policies/exchange-rates');
  await page.getByLabel('Worth in GBP').fill('0');
  await page.getByRole('button', { name: 'Add the rate' }).click();
  await expect(page.getByText('A rate is above zero')).toBeVisible();
  await page.getByLabel('Worth in GBP').fill('0.8612');
  await page.getByRole('button', { name: 'Add the rate' }).click();
  await expect(
    page.getByRole('region', { name: 'Rates', exact: true }).getByRole('row', { name: /EUR 0\.8612 typed/ }),
  ).toBeVisible();
  await accessible(page);
});

test('on paper the board has all its rows with their bars', async ({ page }) => {
  await signInAs(page, 'L. Hale');
  await page.goto('/accounts');
  await expect(page.getByRole('row').nth(3)).toBeVisible();
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('table', { name: 'Accounts' }).getByRole('img')).toHaveCount(84);
  const last = page.getByRole('table', { name: 'Accounts' }).getByRole('row').last();
  const box = await last.boundingBox();
  expect(box!.height).toBeGreaterThan(30);
  expect((await page.pdf({ format: 'A4', landscape: true })).length).toBeGreaterThan(20_000);
});
