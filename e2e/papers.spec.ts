import type { Page } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import { expect, openDemo, test } from './helpers';

async function saved(page: Page, name: string, path: string): Promise<Buffer> {
  const download = page.waitForEvent('download', { timeout: 80_000 });
  await page.getByRole('button', { name, exact: true }).click();
  await (await download).saveAs(path);
  return readFileSync(path);
}

test('each paper of chosen members is written from the report', async ({ page }, info) => {
  await openDemo(page);
  await page.goto('/report?p=alderlight-playhouse');
  await page.getByRole('button', { name: 'none', exact: true }).click();
  for (const mark of ['G1', 'FC2']) await page.getByRole('checkbox', { name: new RegExp(`^${mark} `) }).check();
  await expect(page.getByRole('button', { name: 'Report as PDF' })).toBeEnabled({ timeout: 60_000 });
  await expect(page.getByRole('list', { name: 'Contents' })).toContainText('Corner column FC2');
  const at = (file: string) => info.outputPath(file);
  expect((await saved(page, 'Report as PDF', at('r.pdf'))).subarray(0, 5).toString()).toBe('%PDF-');
  expect((await saved(page, 'Report as DOCX', at('r.docx'))).subarray(0, 2).toString()).toBe('PK');
  const html = (await saved(page, 'Report as HTML', at('r.html'))).toString();
  expect(html).toContain('Gallery edge beam G1');
  expect(html).toContain('<math');
  await page.getByLabel('What is shown').selectOption('drawings');
  await expect(page.getByRole('img', { name: /^Corner column FC2: Elevation/ })).toBeVisible();
  await page.getByLabel('Scale of the drawings').selectOption('50');
  await expect(page.getByRole('img', { name: /^Corner column FC2: Elevation 1:50/ })).toBeVisible();
  const dxf = (await saved(page, 'Drawings as DXF', at('d.dxf'))).toString();
  expect(dxf).toContain('AC1021');
  expect(dxf).toContain('12H20-01');
  expect((await saved(page, 'Drawings as PDF', at('d.pdf'))).subarray(0, 5).toString()).toBe('%PDF-');
  expect((await saved(page, 'Drawings as SVG', at('d.svg'))).toString()).toContain('12H20-01');
  expect((await saved(page, 'Bar schedule as PDF', at('bars.pdf'))).subarray(0, 5).toString()).toBe('%PDF-');
  expect((await saved(page, 'Building model as IFC', at('m.ifc'))).toString()).toContain('IFCREINFORCINGBAR');
});

test('a cover with revisions and the sign of the office; a picture that is none is refused', async ({ page }) => {
  await openDemo(page);
  await page.goto('/report?p=alderlight-playhouse&m=fb2');
  const png = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');
  const logo = page.getByLabel('Logo, a picture file');
  await logo.setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert').filter({ hasText: 'not a PNG or JPEG' })).toBeVisible();
  await logo.setInputFiles({ name: 'sign.png', mimeType: 'image/png', buffer: png });
  await expect(page.getByRole('img', { name: 'Logo' })).toBeVisible();
  await page.getByRole('checkbox', { name: /^Cover, contents/ }).check();
  await page.getByRole('button', { name: 'Add a revision' }).click();
  const text = page.getByRole('textbox', { name: 'What changed, revision 3' });
  await text.fill('Lintels after the survey');
  await text.press('Enter');
  await expect(page.getByRole('table', { name: 'Revisions' })).toContainText('Lintels after the survey');
  await page.reload();
  await expect(page.getByRole('img', { name: 'Logo' })).toBeVisible();
});

test('a report of a hundred members is stopped, and the next one is made', async ({ page }, info) => {
  const file = JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8'));
  const beams = file.members.filter((m: { type?: string; mark: string }) => ['FB1', 'FB2', 'G1', 'FC1'].includes(m.mark));
  file.id = 'hundred';
  file.name = 'Hundred members';
  file.members = Array.from({ length: 100 }, (_, i) => ({ ...beams[i % beams.length], id: `m${i}`, mark: `X${i}`, report: 'summary' }));
  const path = info.outputPath('hundred.intarsia');
  writeFileSync(path, JSON.stringify(file));
  await page.goto('/');
  await page.locator('input[type=file]').first().setInputFiles(path);
  await page.waitForURL(/p=hundred/);
  await page.goto('/report?p=hundred');
  const save = page.getByRole('button', { name: 'Report as PDF' });
  await expect(save).toBeEnabled({ timeout: 80_000 });
  await save.click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText(/setting pages/)).toBeHidden();
  const bytes = await saved(page, 'Report as PDF', info.outputPath('hundred.pdf'));
  expect(bytes.length).toBeGreaterThan(200_000);
});
