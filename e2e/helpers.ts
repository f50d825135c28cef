import { expect, test as base, type Page } from '@playwright/test';

/** Every test fails on an error in the console or on the page, unless it says that it provokes one. */
export const test = base.extend<{ quiet: string[] }>({
  quiet: [
    async ({ page }, use) => {
      const errors: string[] = [];
      page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
      page.on('pageerror', (e) => errors.push(e.message));
      page.on('request', (r) => {
        const { hostname, protocol } = new URL(r.url());
        if (protocol.startsWith('http') && hostname !== '127.0.0.1') errors.push(`request to ${hostname}`);
      });
      await use(errors);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

export async function openDemo(page: Page): Promise<void> {
  await page.goto('/?open=demo');
  await page.waitForURL('**/project**');
  await expect(page.getByRole('heading', { name: 'Alderlight Playhouse' })).toBeVisible();
}

/** Opens a beam of the demo and waits for its result. */
export async function openBeam(page: Page, id: string): Promise<void> {
  await openDemo(page);
  await page.goto(`/beam?p=alderlight-playhouse&m=${id}`);
  await expect(page.locator('[data-check]').first()).toBeVisible();
}

export const rung = (page: Page, id: string) => page.locator(`[data-check="${id}"]`);
export const drawn = (page: Page, path: string) => page.locator(`[data-edit="${path}"]`).first();

/** Types another depth into the drawing of a beam. */
export async function makeDeep(page: Page, depth: string): Promise<void> {
  await drawn(page, 'section.h').click();
  const field = page.getByRole('textbox', { name: /Overall depth/ }).last();
  await field.fill(depth);
  await field.press('Enter');
  await expect(drawn(page, 'section.h')).toHaveText(depth);
}
