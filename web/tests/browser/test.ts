import { readFile } from 'node:fs/promises';
import { test as base, type Browser, type BrowserContext, type Page } from '@playwright/test';

/** A window that stays open, with a page in it that keeps its process alive. */
interface KeptWindow {
  context: BrowserContext;
  keeper: Page;
}

async function open(browser: Browser, baseURL: string): Promise<KeptWindow> {
  const context = await browser.newContext({ baseURL, viewport: { width: 1280, height: 800 } });
  const keeper = await context.newPage();
  await keeper.goto('/health');
  return { context, keeper };
}

/**
 * Playwright's own test, but all tests of a server share one window: starting a process for each and reading the scripts
 * anew took three times the work of the page itself. What a test leaves in it (cookies, what the page stored, answers
 * put in place of the server's, pages) is taken out again, so that every test starts alike.
 */
export const test = base.extend<object, { windows: (baseURL: string) => Promise<KeptWindow> }>({
  windows: [
    async ({ browser }, give) => {
      const windows = new Map<string, Promise<KeptWindow>>();
      await give((baseURL) => {
        const window = windows.get(baseURL) ?? open(browser, baseURL);
        windows.set(baseURL, window);
        return window;
      });
      for (const window of windows.values()) await (await window).context.close();
    },
    { scope: 'worker' },
  ],
  context: async ({ windows, baseURL, storageState }, give) => {
    const { context, keeper } = await windows(baseURL ?? '');
    const state = typeof storageState === 'string' ? await signedInAs(storageState) : storageState;
    await context.clearCookies();
    await context.addCookies(state?.cookies ?? []);
    await keeper.evaluate(() => {
      localStorage.clear();
    });
    await give(context);
    await context.unrouteAll({ behavior: 'ignoreErrors' });
    for (const page of context.pages()) if (page !== keeper) await page.close();
  },
  page: async ({ context }, give) => {
    await give(await context.newPage());
  },
});

async function signedInAs(path: string) {
  return JSON.parse(await readFile(path, 'utf8')) as { cookies: Parameters<BrowserContext['addCookies']>[0] };
}
