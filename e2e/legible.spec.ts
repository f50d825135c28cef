import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from './helpers';

const illegible = `${readFileSync('e2e/legible.js', 'utf8')};illegible()`;

/** Widths of windows and sizes of text (%), the corners of what is asked for and the usual ones. */
const sizes = [
  [1024, 125],
  [1280, 100],
  [1280, 125],
  [1440, 110],
  [1920, 100],
] as const;

async function expectLegible(page: Page, where: string): Promise<void> {
  const faults: string[] = [];
  for (const [width, text] of sizes) {
    await page.setViewportSize({ width, height: 800 });
    await page.evaluate((t) => void (document.documentElement.dataset.text = String(t)), text);
    await page.waitForTimeout(150);
    for (const fault of (await page.evaluate(illegible)) as string[]) faults.push(`${width} px, ${text} %: ${fault}`);
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.evaluate(() => delete document.documentElement.dataset.text);
  expect(faults, where).toEqual([]);
}

async function expectEveryView(page: Page, where: string): Promise<void> {
  const views = page.locator('[aria-label="What the sheet shows"] [role=radio]');
  expect(await views.count()).toBeGreaterThan(2);
  for (const name of await views.allTextContents()) {
    await views.filter({ hasText: name }).first().click();
    await page.waitForTimeout(700);
    await expectLegible(page, `${where}, ${name}`);
  }
}

interface Given {
  mark: string;
  type?: string;
  id: string;
  loads?: { type?: string; value?: number }[];
  sets?: { N?: number; mxTop?: number }[];
}

/** The demo with values that are as long as values get. */
function withLongValues(): { name: string; mimeType: string; buffer: Buffer } {
  const project = JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')) as { id: string; members: Given[] };
  project.id = 'long-values';
  for (const m of project.members) {
    for (const l of m.loads ?? []) if (typeof l.value === 'number') l.value += 0.375;
    for (const s of m.sets ?? []) if (typeof s.N === 'number') s.N = 1234.5 + s.N / 1000;
  }
  return { name: 'long.intarsia', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(project)) };
}

const { members } = JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')) as { members: Given[] };
/** The first member of each kind, and a section with known forces. */
const shown = [...new Map(members.map((m) => [m.type ?? 'beam', m]).reverse() as [string, Given][]).values()];

test('nothing is cut and nothing lies on another: start, overview and report', async ({ page }) => {
  test.setTimeout(480_000);
  await page.goto('/');
  await expectLegible(page, 'start');
  await page.getByLabel('Project file').setInputFiles(withLongValues());
  await page.waitForURL('**/project**');
  await expect(page.getByRole('heading', { name: 'Alderlight Playhouse' })).toBeVisible();
  await page.waitForTimeout(4000);
  await expectLegible(page, 'overview');
  await page.goto('/report?p=long-values');
  await expect(page.getByRole('button', { name: 'Report as PDF' })).toBeEnabled({ timeout: 60_000 });
  await expectLegible(page, 'report');
});

for (const member of shown)
  test(`nothing is cut and nothing lies on another: ${member.mark}, in every view`, async ({ page }) => {
    test.setTimeout(240_000);
    await page.goto('/');
    await page.getByLabel('Project file').setInputFiles(withLongValues());
    await page.waitForURL('**/project**');
    await page.goto(`/${member.type ?? 'beam'}?p=long-values&m=${member.id}`);
    await expect(page.locator('[data-check]').first()).toBeVisible();
    await expectEveryView(page, member.mark);
  });

/** Ways to begin that the demo has no member of. */
for (const name of ['beam with known forces along it', 'check a section under N, Mx and My', 'Start with a plate'])
  test(`nothing is cut and nothing lies on another: ${name}, in every view`, async ({ page }) => {
    test.setTimeout(240_000);
    await page.goto('/');
    await page.getByRole('button', { name }).click();
    await expect(page.locator('[data-check]').first()).toBeVisible();
    await expectEveryView(page, name);
  });
