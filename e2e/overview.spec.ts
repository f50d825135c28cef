import { readFileSync, writeFileSync } from 'node:fs';
import { expect, openBeam, openDemo, rung, test } from './helpers';

interface File {
  id?: string;
  name: string;
  members: { id: string; mark: string; type?: string; decisions?: unknown }[];
}

/** The demo's beams many times over, as a file. */
function manyBeams(count: number): string {
  const demo = JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')) as File;
  const beams = demo.members.filter((m) => m.type === undefined || m.type === 'beam');
  const members = Array.from({ length: count }, (_, i) => ({ ...beams[i % beams.length]!, id: `m${i}`, mark: `B${i + 1}` }));
  return JSON.stringify({ ...demo, id: 'many', name: 'Many beams', members });
}

test('a whole project of beams: stopped on the way, gone on with, designed anew', async ({ page }, info) => {
  const path = info.outputPath('many.intarsia');
  writeFileSync(path, manyBeams(240));
  await page.goto('/');
  await page.getByLabel('Project file').setInputFiles(path);
  await page.waitForURL('**/project**');
  const bar = page.getByRole('progressbar', { name: 'Designing the project' });
  const group = page.getByRole('group', { name: 'Design of the project' });
  await group.getByRole('button', { name: 'stop' }).click();
  await expect(group).toContainText(/Stopped · \d+ of 240/);
  const done = async () => Number(await bar.getAttribute('aria-valuenow'));
  // What was running may end; then the figure stands.
  let [last, unchanged] = [-1, 0];
  const stands = async () => {
    const now = await done();
    unchanged = now === last ? unchanged + 1 : 0;
    last = now;
    return unchanged;
  };
  await expect.poll(stands, { intervals: [200] }).toBeGreaterThan(4);
  expect(last).toBeLessThan(240);
  await group.getByRole('button', { name: 'go on' }).click();
  await expect(bar).toBeHidden({ timeout: 60_000 });
  await page.getByRole('button', { name: 'design all anew' }).click();
  await expect(bar).toBeVisible();
  await expect(bar).toBeHidden({ timeout: 60_000 });
  await expect(page.getByRole('table', { name: 'Members, worst first' }).getByRole('row')).toHaveCount(241);
});

test('the list is sorted by any column, and every figure explains itself', async ({ page }) => {
  await openDemo(page);
  const rows = page.getByRole('table').getByRole('row');
  await expect(rows.nth(1)).toContainText('DC1');
  await page
    .getByRole('columnheader', { name: /^Member/ })
    .getByRole('button')
    .click();
  await expect(rows.nth(1)).toContainText('A1');
  await page
    .getByRole('columnheader', { name: /^Member/ })
    .getByRole('button')
    .click();
  await expect(rows.nth(1)).toContainText('DC1');
  await page.getByRole('button', { name: /^Bending of G2/ }).click();
  const steps = page.getByRole('dialog', { name: /^Bending of G2/ });
  await expect(steps).toContainText(/against 422.1/);
  await expect(steps.locator('math').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await rows.nth(2).getByRole('link').click();
  await expect(rung(page, 'bending-support-B')).toBeVisible();
  await page.goBack();
  await expect(rows.nth(1)).toContainText('DC1');
});

test('settings for several beams at once, and a group that shares its bars', async ({ page }) => {
  await openDemo(page);
  // The list stands still when all is designed.
  await expect(page.getByRole('group', { name: 'Design of the project' })).toBeHidden();
  for (const mark of ['FB1', 'FB2']) await page.getByRole('checkbox', { name: `Select ${mark}` }).check();
  const form = page.getByRole('form', { name: 'Settings of the selected members' });
  await form.getByLabel('Main sizes').fill('16, 20');
  await form.getByLabel('Group').fill('foyer');
  await form.getByLabel('Ductile frame').selectOption('medium');
  await form.getByRole('button', { name: 'Set' }).click();
  await expect(page.getByRole('row', { name: /FB1/ })).toContainText('group foyer');
  await page.getByRole('row', { name: /FB1/ }).getByRole('link').click();
  await expect(rung(page, 'frame-links')).toBeVisible();
  await page.getByRole('radio', { name: 'Basis' }).click();
  await expect(page.getByLabel('Main sizes allowed')).toHaveValue('16, 20');
  await expect(page.getByText(/FB2/).last()).toBeVisible();
});

test('the cage turns by keyboard; a chosen cut and the schedule are in the printed report', async ({ page }) => {
  await openBeam(page, 'g2');
  await page.getByRole('checkbox', { name: /this cut in the report/ }).check();
  await page.getByRole('button', { name: 'cage in space' }).click();
  const cage = page.getByRole('application', { name: /^Cage/ });
  await cage.focus();
  const before = await cage.locator('svg').innerHTML();
  await page.keyboard.press('ArrowRight');
  await expect.poll(() => cage.locator('svg').innerHTML()).not.toBe(before);
  await page.goto('/report?p=alderlight-playhouse&m=g2');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText('Sections at 7.08 m')).toBeVisible();
  await expect(page.getByRole('table', { name: 'Bar schedule' })).toBeVisible();
  await expect(page.getByLabel('Bends named')).toBeHidden();
  const pdf = await page.pdf({ format: 'A4' });
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
});

test('any outline: drawn from the section, designed at once, refused in words', async ({ page }) => {
  await openBeam(page, 'g2');
  await page.getByRole('radio', { name: 'Basis' }).click();
  await page.getByRole('combobox', { name: 'Section', exact: true }).selectOption('free');
  const corners = page.getByLabel('Corners of the outline');
  await corners.fill('-125 0\n125 0\n225 600\n-225 600');
  await corners.blur();
  await expect(page.getByText(/stand in the 250/)).toBeVisible();
  await expect(rung(page, 'bending-support-B')).toBeVisible();
  await corners.fill('100 0\n300 0\n300 600\n100 600');
  await corners.blur();
  await expect(page.getByText(/stand in the 200/)).toBeVisible();
  await corners.fill('-300 0\n0 0\n300 600\n0 600');
  await corners.blur();
  await expect(page.getByText(/No upright strip of the outline runs from its lowest to its highest corner/).first()).toBeVisible();
});

test('utilisation and steel of all members are drawn as a chart', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'chart' }).click();
  const chart = page.getByRole('img', { name: 'Utilisation and steel by member' });
  await expect(chart.locator('.recharts-bar-rectangle path')).toHaveCount(20);
  await page.getByRole('button', { name: 'no chart' }).click();
  await expect(chart).toBeHidden();
});
