import AxeBuilder from '@axe-core/playwright';
import { expect, type Locator, type Page } from '@playwright/test';

/** No rule of accessibility is broken on the screen as it stands. */
export const accessible = (page: Page, ...leaveOut: string[]) =>
  holds(leaveOut.reduce((builder, selector) => builder.exclude(selector), axe(page)));

/** Contrast alone: what else there is does not depend on the theme. */
export const legible = (page: Page) => holds(axe(page).withRules(['color-contrast']));

// No page here has frames of another origin, and of what is right nothing is told: that takes a fifth of the time.
const axe = (page: Page) => new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] });

async function holds(builder: AxeBuilder) {
  const { violations } = await builder.analyze();
  expect(
    violations.map(
      (v) =>
        `${v.id}: ${v.help} at ${v.nodes.map((n) => `${n.target.join(' ')} ${n.failureSummary ?? ''}`).join(' | ')}`,
    ),
  ).toEqual([]);
}

/** An amount on the screen as a number. */
export async function amount(of: Locator) {
  const text = await of.innerText();
  return Number(text.replace(/[^0-9.−-]/g, '').replace('−', '-'));
}

export const toPay = (page: Page) => amount(page.getByTestId('to-pay'));

/** Opens an account and waits until its figures are there. */
export async function openAccount(page: Page, code: string) {
  await page.goto(`/accounts/${code}`);
  await expect(page.getByTestId('to-pay')).toBeVisible();
}

export const dialog = (page: Page) => page.getByRole('dialog');

/** Opens an account of a customer who is new, and goes to it. */
export async function openCustomer(page: Page, code: string, more: Record<string, string>) {
  await page.goto('/accounts');
  const answer = await page.request.post('/api/accounts', {
    headers: { origin: new URL(page.url()).origin },
    data: { name: `Customer ${code}`, code, limit: '20000', ...more },
  });
  expect(answer.status(), await answer.text()).toBeLessThan(300);
  await openAccount(page, code);
}
