import AxeBuilder from '@axe-core/playwright';
import { drawn, expect, openBeam, openDemo, rung, test } from './helpers';

const utilisation = (text: string | null) => Number(/(\d\.\d+)\s*$/.exec(text?.trim() ?? '')?.[1]);

test('a depth is changed on the drawing by mouse: checks follow while typing, undo brings it back', async ({ page }) => {
  await openBeam(page, 'g2');
  const bending = rung(page, 'bending-support-B').getByRole('button').first();
  await expect(bending).toContainText('1.04');
  await drawn(page, 'section.h').click();
  const field = page.getByRole('textbox', { name: 'Overall depth h' });
  await field.fill('650');
  // Before anything is kept the whole sheet already shows the tentative depth.
  await expect(bending).not.toContainText('1.04');
  await expect(page.getByTestId('editor-utilisation')).toContainText('1.04 →');
  await field.press('Enter');
  await expect(drawn(page, 'section.h')).toHaveText('650');
  expect(utilisation(await bending.textContent())).toBeLessThan(1);
  await page.keyboard.press('Control+z');
  await expect(drawn(page, 'section.h')).toHaveText('550');
  await expect(bending).toContainText('1.04');
});

test('the same by keyboard alone: reach the value, type another unit, leave without keeping, step and keep', async ({ page }) => {
  await openBeam(page, 'fb1');
  await drawn(page, 'section.h').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('28 in');
  await expect(drawn(page, 'section.h')).toHaveText('711');
  await page.keyboard.press('Escape');
  await expect(drawn(page, 'section.h')).toHaveText('600');
  await expect(drawn(page, 'section.h')).toBeFocused();
  await page.keyboard.press('F2');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(drawn(page, 'section.h')).toHaveText('650');
  // The station line by keyboard.
  const slider = page.getByRole('slider', { name: 'Station along the beam' });
  await slider.focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(slider).toHaveAttribute('aria-valuetext', '1.00 m');
  await expect(page.getByRole('heading', { name: 'Section at 1.00 m' })).toBeVisible();
});

test('a derivation opens with formulas, numbers and clauses', async ({ page }) => {
  await openBeam(page, 'g2');
  await rung(page, 'bending-support-B').getByRole('button').first().click();
  const open = rung(page, 'bending-support-B');
  await expect(open.locator('math').first()).toBeVisible();
  await expect(open).toContainText('(3.15)');
  await expect(open).toContainText('19.83');
  await expect(open).toContainText('Stress of concrete');
});

test('a choice that the code leaves open is changed on the rung', async ({ page }) => {
  await openBeam(page, 'g2');
  const shear = rung(page, 'shear-right-of-A');
  await shear.getByRole('button').first().click();
  const before = utilisation(await shear.getByRole('button').first().textContent());
  await shear.getByRole('combobox').last().selectOption({ label: 'links from the face' });
  await expect.poll(async () => utilisation(await shear.getByRole('button').first().textContent())).not.toBe(before);
});

test('bars are edited on the drawing and given back to the automatic choice', async ({ page }) => {
  await openBeam(page, 'g2');
  await drawn(page, 'over.1').click();
  const field = page.getByRole('textbox', { name: 'Top bars over B' });
  await field.fill('9H20');
  await field.press('Enter');
  await expect(drawn(page, 'over.1')).toHaveText('9H20');
  await expect
    .poll(async () => utilisation(await rung(page, 'bending-support-B').getByRole('button').first().textContent()))
    .toBeLessThan(1);
  await drawn(page, 'over.1').click();
  await page.getByRole('button', { name: 'automatic again' }).click();
  await expect(drawn(page, 'over.1')).not.toHaveText('9H20');
});

test('a bar end is moved on the elevation, a bar is added over a support, a zone of links is moved on its strip', async ({ page }) => {
  await openBeam(page, 'g2');
  const move = async (path: string, by: number) => {
    const box = (await drawn(page, path).boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + by, y, { steps: 4 });
    await page.mouse.up();
    await expect(page.getByRole('button', { name: /^Undo/ })).toBeEnabled();
  };
  await move('overEnd.1.right', 40);
  await drawn(page, 'overEnd.1.right').click();
  const reach = page.getByRole('textbox', { name: 'Bars over B, to the right' });
  expect(Number((await reach.inputValue()).replace(/\D/g, '')) % 50).toBe(0);
  await reach.fill('3.2 m');
  await reach.press('Enter');
  await drawn(page, 'overEnd.1.right').press('Enter');
  await expect(reach).toHaveValue('3200');
  await page.getByRole('button', { name: 'automatic again' }).click();
  await drawn(page, 'over.0').click();
  const bars = page.getByRole('textbox', { name: 'Top bars over A' });
  await bars.fill('2H16');
  await bars.press('Enter');
  await expect(drawn(page, 'over.0')).toHaveText('2H16');
  await expect(drawn(page, 'overEnd.0.right')).toBeVisible();
  await move('linksEnd.0.0', -30);
  await drawn(page, 'linksEnd.0.0').click();
  await expect(page.getByRole('dialog', { name: /end of zone 1/ })).toContainText('automatic again');
});

test('bad values are refused at their field; the last good result stays and is marked', async ({ page }) => {
  await openBeam(page, 'fb1');
  await drawn(page, 'section.h').click();
  const field = page.getByRole('textbox', { name: 'Overall depth h' });
  await field.fill('deep');
  await expect(page.getByText('"deep" is not a number.')).toBeVisible();
  await field.fill('25 kN');
  await expect(page.getByText('kN is not a unit for this value; use mm.')).toBeVisible();
  await field.fill('-40');
  await expect(page.getByText('The depth must lie between 80 mm and 5 m.').first()).toBeVisible();
  await expect(page.locator('[data-check]').first()).toBeVisible();
  await expect(page.locator('[data-stale]').first()).toBeVisible();
  await field.press('Escape');
  await expect(drawn(page, 'section.h')).toHaveText('600');
  expect(await page.locator('body').innerText()).not.toContain('NaN');
});

test('loads are pasted from a spreadsheet; rows that are not understood are named', async ({ page }) => {
  await openBeam(page, 'fb2');
  await page.getByRole('radio', { name: 'Loads' }).click();
  const rows = 'case\ttype\tspan\tvalue\tat\nQ\tpoint\t1\t45\t2000\nQ\tpoint\t7\t45\t2000\nZ\tuniform\tall\t3\nG\tuniform\tall\t2 kN/m\n';
  await page.getByRole('table', { name: 'Loads' }).evaluate((el, text) => {
    const data = new DataTransfer();
    data.setData('text', text);
    el.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, rows);
  await expect(page.getByText('2 pasted rows were not taken:')).toBeVisible();
  await expect(page.getByText('There is no span "7": there is 1 span.')).toBeVisible();
  await expect(page.getByText('There is no load case "Z".')).toBeVisible();
  await expect(page.getByRole('table', { name: 'Loads' }).getByRole('row')).toHaveCount(5);
});

test('with every ultimate combination off nothing is designed, and that is said', async ({ page }) => {
  await openBeam(page, 'fb2');
  await page.getByRole('radio', { name: 'Combinations' }).click();
  const table = page.getByRole('table', { name: 'Combinations' });
  for (const row of await table.getByRole('row').filter({ hasText: 'Ultimate' }).all()) await row.getByRole('checkbox').uncheck();
  await expect(page.getByText('No ultimate combination is on: nothing is designed.')).toBeVisible();
  await expect(rung(page, 'nothing')).toContainText('No ultimate combination is switched on');
});

test('an engineer’s decision needs a reason and shows on ladder and overview', async ({ page }) => {
  await openBeam(page, 'g2');
  await rung(page, 'bending-support-B').getByRole('button').first().click();
  await page.getByRole('button', { name: 'Record a decision' }).click();
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(page.getByText('A decision needs a reason.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Reason' }).fill('Moment taken at the centre of a wide pier; measured support is stiffer.');
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(rung(page, 'bending-support-B')).toContainText('Engineer’s decision');
  await expect(page.getByText(/^Saved \d\d:\d\d$/)).toBeVisible();
  await page.goto('/project?p=alderlight-playhouse');
  await expect(page.getByRole('row', { name: /G2/ }).getByRole('img', { name: /accepted/ })).toBeVisible();
});

test('find or do goes, sets and undoes', async ({ page }) => {
  await openBeam(page, 'g2');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('fb1 h 625');
  await expect(page.getByRole('option', { name: /Set/ })).toContainText('h of FB1 to 625 mm');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('foyer beam');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Foyer beam FB1' })).toBeVisible();
  await expect(drawn(page, 'section.h')).toHaveText('625');
});

test('members are added, copied, deleted and brought back', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Add a beam' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Beam D3');
  await expect(page.locator('[data-check]').first()).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Copy D3' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('D4');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Delete D4' }).click();
  await expect(page.getByText('D4 is deleted.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('row', { name: /D4/ })).toBeVisible();
});

test('units are switched without changing the member', async ({ page }) => {
  await openBeam(page, 'fb1');
  const before = await rung(page, 'bending-span-1').getByRole('button').first().textContent();
  await page.getByRole('button', { name: 'kN, mm' }).click();
  await page.getByRole('menuitem', { name: 'kip, in' }).click();
  await expect(drawn(page, 'section.h')).toHaveText('23.62');
  await expect
    .poll(async () => utilisation(await rung(page, 'bending-span-1').getByRole('button').first().textContent()))
    .toBe(utilisation(before));
});

for (const [path, sign] of [
  ['/', 'text=Open the demo'],
  ['/project?p=alderlight-playhouse', 'table tr:nth-child(8)'],
  ['/beam?p=alderlight-playhouse&m=g2', '[data-check]'],
  ['/beam?p=alderlight-playhouse&m=d2', '[data-check]'],
  ['/report?p=alderlight-playhouse&m=fb2', 'article table'],
] as const)
  test(`no serious accessibility fault on ${path}`, async ({ page }) => {
    await openBeam(page, 'g2');
    await page.goto(path);
    await expect(page.locator(sign).first()).toBeVisible();
    const { violations } = await new AxeBuilder({ page }).analyze();
    const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical').map((v) => `${v.id}: ${v.nodes[0]?.html}`);
    expect(serious).toEqual([]);
  });

test('in service: deflection and cracks are drawn, a limit of one’s own is kept and decides', async ({ page }) => {
  await openBeam(page, 'g2');
  await page.getByRole('radio', { name: 'In service' }).click();
  await expect(page.locator('[data-strip="Deflection"]')).toBeVisible();
  await expect(page.locator('[data-strip="Crack width"]')).toBeVisible();
  await page.getByRole('radio', { name: 'Basis' }).click();
  const field = page.getByRole('textbox', { name: 'Deflection, span over' });
  await field.fill('500');
  await field.press('Enter');
  await expect(rung(page, 'deflection-total-2')).toContainText(/Deflection of span 2: .* is allowed/);
});

test('a torque is added as a load: links, bars of the faces and side bars answer', async ({ page }) => {
  await openBeam(page, 'fb2');
  await expect(rung(page, 'torsion-links')).toHaveCount(0);
  await page.getByRole('radio', { name: 'Loads' }).click();
  await page.getByRole('button', { name: 'Add a load', exact: true }).click();
  await page
    .getByLabel(/^Type of load/)
    .last()
    .selectOption('torque');
  await page
    .getByRole('textbox', { name: /^Value of load/ })
    .last()
    .fill('20');
  await page
    .getByRole('textbox', { name: /^Value of load/ })
    .last()
    .press('Enter');
  await expect(rung(page, 'torsion-links')).toBeVisible();
  await page.getByRole('radio', { name: 'Bars' }).click();
  await expect(page.getByRole('textbox', { name: 'Side bars' })).toHaveAttribute('placeholder', /^1H/);
  await expect(page.getByRole('table', { name: 'Bar schedule' })).toContainText('sides, span 1');
});

test('a proposal and a way forward are taken with one click; a variant keeps what was', async ({ page }) => {
  await openBeam(page, 'g2');
  await page.getByRole('radio', { name: 'Variants' }).click();
  await page.getByLabel('Name of the variant').fill('as drawn');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('button', { name: 'single changes' }).click();
  await page.getByRole('button', { name: 'Try bars chosen anew' }).click();
  await expect(rung(page, 'bending-support-B')).not.toContainText('1.04');
  await page.getByRole('button', { name: 'arrangements of bars' }).click();
  await page
    .getByRole('button', { name: /^Try .*links/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'adopt' }).click();
  await expect(rung(page, 'bending-support-B')).toContainText('1.04');
});

test('the overview: only those over, found by a word; the schedule is printed with the report', async ({ page }) => {
  await openDemo(page);
  const table = page.getByRole('table', { name: 'Members, worst first' });
  await expect(page.getByRole('button', { name: /2 over/ })).toBeVisible();
  await page.getByRole('button', { name: /2 over/ }).click();
  await expect(table.getByRole('row')).toHaveCount(3);
  await page.getByRole('button', { name: /2 over/ }).click();
  await page.getByRole('searchbox', { name: 'Show members with' }).fill('raker');
  await expect(table.getByRole('row')).toHaveCount(2);
  await page.goto('/report?p=alderlight-playhouse');
  await expect(page.getByRole('table', { name: 'Bar schedule' }).first()).toBeVisible();
});
