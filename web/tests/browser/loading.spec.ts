import { gzipSync } from 'node:zlib';
import { expect, type Browser, type Page } from '@playwright/test';
import { signedIn } from '../../playwright.config';
import { test } from './test';

const most = 250_000;

/** The bytes of scripts and styles, compressed, that a page asks for until its first picture is there. */
async function loaded(
  browser: Browser,
  session: string | undefined,
  path: string,
  seen: (page: Page) => Promise<void>,
) {
  const context = await browser.newContext({ storageState: session });
  const page = await context.newPage();
  const sizes: Promise<number>[] = [];
  page.on('response', (response) => {
    if (/\.(js|css)$/.test(new URL(response.url()).pathname))
      sizes.push(response.body().then((body) => gzipSync(body).length));
  });
  await page.goto(path);
  await seen(page);
  const bytes = (await Promise.all(sizes)).reduce((sum, n) => sum + n, 0);
  await context.close();
  return bytes;
}

test('at most 250 kB of scripts and styles come before the first picture', async ({ browser }) => {
  const signIn = await loaded(browser, undefined, '/', async (page) => {
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  });
  const today = await loaded(browser, signedIn, '/today', async (page) => {
    await expect(page.getByRole('list', { name: 'To decide' }).locator('> li').first()).toBeVisible();
  });
  console.log(`compressed: sign-in ${signIn} bytes, Today ${today} bytes`);
  expect(signIn).toBeLessThanOrEqual(most);
  expect(today).toBeLessThanOrEqual(most);
  // A page that asks for nothing was not measured.
  expect(Math.min(signIn, today)).toBeGreaterThan(50_000);
});

test('a dialog is loaded when it is first opened, and its first field has the focus', async ({ page }) => {
  const asked: string[] = [];
  page.on('request', (request) => asked.push(new URL(request.url()).pathname));
  await page.goto('/orders');
  await expect(page.getByRole('list', { name: 'Orders' })).toBeVisible();
  expect(asked.some((path) => /EnterOrder/.test(path))).toBe(false);
  await page.keyboard.press('o');
  await expect(page.getByRole('dialog').getByLabel('Account')).toBeFocused();
  expect(asked.some((path) => /EnterOrder/.test(path))).toBe(true);
});
