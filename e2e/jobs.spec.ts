import { writeFileSync } from 'node:fs';
import { drawn, expect, openBeam, openDemo, rung, test } from './helpers';

test('workers that are killed are replaced, and the design goes on', async ({ page }) => {
  await openBeam(page, 'fb1');
  const before = page.workers();
  expect(before.length).toBeGreaterThan(0);
  for (const worker of before) await worker.evaluate(() => self.close()).catch(() => undefined);
  await drawn(page, 'section.h').click();
  const field = page.getByRole('textbox', { name: 'Depth h' });
  await field.fill('700');
  await field.press('Enter');
  await expect(drawn(page, 'section.h')).toHaveText('700');
  await expect(page.locator('[data-stale]')).toHaveCount(0);
  await expect(rung(page, 'bending-span-1')).toBeVisible();
  expect(page.workers().some((w) => before.includes(w))).toBe(false);
});

test('a design that takes long says how far it is, is stopped, and goes on', async ({ page }, info) => {
  const sets = Array.from({ length: 20_000 }, (_, i) => ({
    name: `F${i + 1}`,
    N: 500 + (i % 997),
    mxTop: 40 + (i % 61),
    mxBottom: -20 - (i % 13),
    myTop: 12 + (i % 29),
    myBottom: 6,
    sustained: 0.6,
  }));
  const file = { format: 'intarsia', version: 1, name: 'Long', members: [{ type: 'column', id: 'c', mark: 'C1', height: 5200, sets }] };
  const path = info.outputPath('long.intarsia');
  writeFileSync(path, JSON.stringify(file));
  await page.goto('/');
  await page.getByLabel('Project file').setInputFiles(path);
  await page.waitForURL('**/project**');
  const status = page.getByRole('status', { name: 'Long designs' });
  await expect(status).toContainText(/C1: \d+ of 20000 load sets/);
  await status.getByRole('button', { name: 'Stop' }).click();
  await expect(status).toContainText('C1: stopped');
  await status.getByRole('button', { name: 'go on' }).click();
  await expect(status).toContainText(/of 20000 load sets/);
  await expect(status).toBeHidden({ timeout: 60_000 });
  await expect(page.getByRole('row', { name: /C1/ })).toContainText(/mid-height|the section carries/);
});

test('an edit of the title block designs nothing, and no page of the report is designed twice', async ({ page }) => {
  const designs = () => page.evaluate(() => performance.getEntriesByName('design').length);
  await openDemo(page);
  await page.goto('/report?p=alderlight-playhouse&m=fb1');
  await expect(page.getByRole('article')).toHaveCount(1);
  await expect(page.getByRole('button', { name: 'Report as PDF' })).toBeEnabled();
  // The list in the background comes to rest as well.
  let count = -1;
  await expect
    .poll(async () => {
      const [before, now] = [count, await designs()];
      count = now;
      return before === now;
    })
    .toBe(true);
  await page.getByRole('textbox', { name: 'checker' }).fill('O. Checker');
  await page.getByRole('textbox', { name: 'checker' }).blur();
  await expect(page.getByRole('article')).toContainText('O. Checker');
  const other = page.getByRole('checkbox', { name: 'FB2' });
  await other.check();
  await expect(page.getByRole('article')).toHaveCount(2);
  const two = await designs();
  expect(two).toBe(count + 1);
  await other.uncheck();
  await other.check();
  await expect(page.getByRole('article')).toHaveCount(2);
  expect(await designs()).toBe(two);
});
