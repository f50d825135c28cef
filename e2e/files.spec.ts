import { execFileSync } from 'node:child_process';
import readXlsxFile from 'read-excel-file/node';
import { readFileSync, writeFileSync } from 'node:fs';
import { drawn, expect, openBeam, rung, test } from './helpers';

test('an edit is kept in the browser and found again after a reload', async ({ page }) => {
  await openBeam(page, 'fb1');
  await drawn(page, 'section.b').click();
  const field = page.getByRole('textbox', { name: 'Width b' });
  await field.fill('375');
  await field.press('Enter');
  await expect(page.getByText(/^Saved \d\d:\d\d$/)).toBeVisible();
  await page.reload();
  await expect(drawn(page, 'section.b')).toHaveText('375');
});

test('a text that the file does not take is refused at its field, and the project opens again', async ({ page }) => {
  await openBeam(page, 'fb1');
  await page.getByRole('radio', { name: 'Basis' }).click();
  const mark = page.getByRole('textbox', { name: 'Mark' });
  await mark.fill('FB1 over the foyer and the cloakroom');
  await mark.press('Enter');
  await expect(page.getByText('must have at most 20 characters').first()).toBeVisible();
  await expect(mark).toHaveValue('FB1 over the foyer and the cloakroom');
  await mark.fill('FB1 over the foyer');
  await mark.press('Enter');
  await expect(page.getByText(/^Saved \d\d:\d\d$/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Foyer beam FB1 over the foyer' })).toBeVisible();
});

test('a project is exported, deleted, and imported again', async ({ page }, info) => {
  await openBeam(page, 'fb1');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Alderlight Playhouse' }).click();
  await page.getByRole('menuitem', { name: 'Save a file' }).click();
  const path = info.outputPath('saved.intarsia');
  await (await download).saveAs(path);
  expect((await download).suggestedFilename()).toBe('alderlight-playhouse.intarsia');
  await page.goto('/');
  await page.getByRole('button', { name: 'Delete Alderlight Playhouse' }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByText('In this browser')).toBeHidden();
  await page.getByLabel('Project file').setInputFiles(path);
  await page.waitForURL('**/project**');
  await expect(page.getByRole('row', { name: /FB1/ })).toBeVisible();
});

test('damaged, foreign, newer and hand-made files: faults by their path, nothing changed', async ({ page }, info) => {
  await page.goto('/');
  const open = async (name: string, text: string) => {
    const path = info.outputPath(name);
    writeFileSync(path, text);
    await page.getByLabel('Project file').setInputFiles(path);
  };
  const alert = page.getByRole('alert').filter({ hasText: 'The file was not opened' });
  await open('damaged.intarsia', '{"format":"intarsia","version":1,"members":[{');
  await expect(alert).toContainText('damaged');
  await open('foreign.json', '{"kind":"something else"}');
  await expect(alert).toContainText('not an Intarsia project');
  await open('newer.intarsia', '{"format":"intarsia","version":99}');
  await expect(alert).toContainText('format version 99');
  await open(
    'faulty.intarsia',
    '{"format":"intarsia","version":1,"members":[{"section":{"h":"12 kN"},"spans":[{"length":"long"}],"loads":[{"type":"wavy","case":"G"}]}]}',
  );
  await expect(alert).toContainText('members[0].section.h');
  await expect(alert).toContainText('members[0].spans[0].length');
  await expect(alert).toContainText('members[0].loads[0].type');
  // Text of a file is never rendered as markup.
  await open('markup.intarsia', '{"format":"intarsia","version":1,"name":"<img src=x onerror=alert(1)>","members":[{"mark":"<b>B1</b>"}]}');
  await page.waitForURL('**/project**');
  await expect(page.getByRole('heading', { name: '<img src=x onerror=alert(1)>' })).toBeVisible();
  await expect(page.locator('img[src="x"]')).toHaveCount(0);
});

test('a new section is checked for a known moment and shear from nothing', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'check a section with known forces' }).click();
  await page.waitForURL('**/beam**');
  const moment = page.getByRole('textbox', { name: 'Moment M of row 1' });
  await moment.fill('210');
  await moment.press('Enter');
  await drawn(page, 'bottom.0').click();
  const bars = page.getByRole('textbox', { name: 'Bottom bars, span 1' });
  await bars.fill('4H20');
  await bars.press('Enter');
  await expect(rung(page, 'bending-1')).toContainText('Bending, midspan');
  // 4H20 in 300 x 500, C30, UK: about 223 kNm; 210 / 223 = 0.94.
  await expect(rung(page, 'bending-1').getByRole('button').first()).toContainText(/0\.9\d/);
});

test('a PDF with real text: the numbers of the sheet stand in it', async ({ page }, info) => {
  await openBeam(page, 'g2');
  await page.getByRole('button', { name: 'Report' }).click();
  await page.waitForURL('**/report**');
  const download = page.waitForEvent('download', { timeout: 80_000 });
  await page.getByRole('button', { name: 'Report as PDF' }).click();
  const path = info.outputPath('g2.pdf');
  await (await download).saveAs(path);
  const bytes = readFileSync(path);
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  let text: string;
  try {
    text = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });
  } catch {
    // Without the tool the file itself is all that can be looked at here.
    expect(bytes.length).toBeGreaterThan(50_000);
    return;
  }
  expect(text).toContain('Alderlight Playhouse');
  expect(text).toContain('Gallery beam G2');
  expect(text).toContain('439.1 kNm');
  expect(text).toContain('19.83 MPa');
  expect(text).toContain('1.04');
  expect(text).toMatch(/1 \/ \d+/);
});

test('the server designs a posted project and lists faults by path', async ({ request }) => {
  const good = await request.post('/api/design?derive=none', {
    data: { format: 'intarsia', version: 1, members: [{ mark: 'T1', mode: 'forces', forces: [{ place: 'midspan', moment: 150 }] }] },
  });
  expect(good.status()).toBe(200);
  const answer = await good.json();
  expect(answer.format).toBe('intarsia-results');
  expect(answer.members[0].checks.find((c: { id: string }) => c.id === 'bending-1').demand).toEqual({ value: 150, unit: 'kNm' });
  const bad = await request.post('/api/design', { data: { format: 'intarsia', version: 1, members: [{ spans: [{}] }] } });
  expect(bad.status()).toBe(422);
  expect((await bad.json()).faults).toEqual([{ path: 'members[0].spans[0].length', reason: 'is missing' }]);
  const huge = await request.post('/api/design', { data: 'x'.repeat(6_000_000) });
  expect(huge.status()).toBe(413);
});

test('what is typed is kept when the page closes before Enter; undoing a new member leads to all members', async ({ page }) => {
  await openBeam(page, 'fb1');
  await drawn(page, 'section.h').click();
  await page.getByRole('textbox', { name: 'Overall depth h' }).fill('612');
  await page.reload();
  await expect(drawn(page, 'section.h')).toHaveText('612');
  await page.getByRole('radio', { name: 'Basis' }).click();
  await page.getByRole('textbox', { name: 'Title' }).fill('Beam over the foyer');
  await page.reload();
  await expect(page.getByRole('heading', { name: /Beam over the foyer FB1/ })).toBeVisible();
  await page.getByRole('button', { name: 'Add a member' }).click();
  await expect(page.getByRole('heading', { name: /FB\d/ })).toBeVisible();
  await page.waitForURL((url) => !url.search.includes('m=fb1'));
  await page.keyboard.press('Control+z');
  await page.waitForURL('**/project**');
  await expect(page.getByRole('status').filter({ hasText: 'Undone: add' })).toBeVisible();
});

test('of two tabs that save at one instant one is told', async ({ page, context }) => {
  await openBeam(page, 'fb1');
  const other = await context.newPage();
  await other.goto(`/beam?p=alderlight-playhouse&m=fb1`);
  await expect(drawn(other, 'section.h')).toBeVisible();
  const set = async (tab: typeof page, h: string) => {
    await drawn(tab, 'section.h').click();
    await tab.getByRole('textbox', { name: 'Overall depth h' }).fill(h);
    await tab.keyboard.press('Enter');
  };
  await Promise.all([set(page, '610'), set(other, '620')]);
  const refused = (tab: typeof page) => tab.getByRole('alert').filter({ hasText: 'changed in another tab' });
  await expect.poll(async () => (await refused(page).count()) + (await refused(other).count())).toBe(1);
});

test('the bar schedule is saved for a spreadsheet: what stands in it is what stands on the page', async ({ page }, info) => {
  await openBeam(page, 'g2');
  await page.getByRole('radio', { name: 'Bars' }).click();
  const first = page.getByRole('table', { name: 'Bar schedule' }).getByRole('row').nth(1);
  const shown = (await first.getByRole('cell').allTextContents()).map((text) => text.replace(/[\u2009\u202f\u00a0]/g, ''));
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save G2 bar schedule as XLSX' }).click();
  const path = info.outputPath('g2.xlsx');
  await (await download).saveAs(path);
  expect((await download).suggestedFilename()).toBe('g2-bar-schedule.xlsx');
  const sheets = (await readXlsxFile(path)) as unknown as { sheet: string; data: unknown[][] }[];
  expect(sheets.map((s) => s.sheet)).toEqual(['Bar schedule', 'Bars by size']);
  const row = sheets[0]!.data[1]!;
  expect(row.slice(0, 3)).toEqual(['G2', 'Gallery', shown[0]]);
  // Number and cut length, as numbers.
  expect(row[5]).toBe(Number(shown[3]));
  expect(row[8]).toBe(Number(shown[6]!.replace(' *', '')));
});
