import { expect, openDemo, test } from './helpers';

const columns = ['Column,Station m,Combo,N kN,M2 kNm,M3 kNm']
  .concat(['IC1', 'IC2', 'FC3'].flatMap((c, i) => [`${c},0,U1,${800 + 10 * i},10,20`, `${c},3.4,U1,${790 + 10 * i},-6,-12`]))
  .join('\n');

test('one table makes two columns and adds to a third; what each gets is shown before', async ({ page }) => {
  await openDemo(page);
  await page.goto('/project?p=alderlight-playhouse');
  await page.getByRole('button', { name: 'import a table' }).click();
  const dialog = page.getByRole('dialog', { name: 'Import a table of another analysis' });
  await dialog.getByLabel('File with a table').setInputFiles({ name: 'frame.csv', mimeType: 'text/csv', buffer: Buffer.from(columns) });
  const preview = dialog.getByRole('table', { name: 'What each member gets' });
  await expect(preview.getByRole('row', { name: /^IC1 made anew new, 1 load set/ })).toBeVisible();
  await expect(preview.getByRole('row', { name: /^FC3 FC3, .* 1 new/ })).toBeVisible();
  await dialog.getByRole('button', { name: 'Keep 3 load sets' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('row', { name: /IC1/ })).toContainText(/\d\.\d\d/);
  await expect(page.getByRole('row', { name: /IC2/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('row', { name: /IC1/ })).toBeHidden();
});

test('a beam made of stations is designed along its span, with bars and a drawing', async ({ page }) => {
  await openDemo(page);
  await page.goto('/project?p=alderlight-playhouse');
  await page.getByRole('button', { name: 'import a table' }).click();
  const dialog = page.getByRole('dialog', { name: 'Import a table of another analysis' });
  await dialog.getByLabel('Its rows are').selectOption('beams');
  const rows = Array.from({ length: 13 }, (_, i) => i / 2).map((x) => `IB1\t${x}\tU1\t${25 * x * (6 - x)}\t${50 * (3 - x)}`);
  await dialog
    .getByRole('textbox', { name: 'Table from a spreadsheet' })
    .fill(['Beam\tStation m\tCombo\tM3 kNm\tV2 kN', ...rows].join('\n'));
  await expect(dialog.getByRole('table', { name: 'What each member gets' })).toContainText('new, 1 span, 13 stations of 1 set');
  await dialog.getByRole('button', { name: 'Keep 13 stations' }).click();
  await page.getByRole('row', { name: /IB1/ }).getByRole('link').first().click();
  await page.waitForURL('**/beam**');
  // 25 x 3 x 3 = 225 kNm in midspan.
  await expect(page.locator('[data-check="bending-span-1"]')).toContainText(/Bending, span 1/);
  const id = new URL(page.url()).searchParams.get('m')!;
  await page.goto(`/report?p=alderlight-playhouse&m=${id}`);
  await page.getByLabel('What is shown').selectOption('drawings');
  await expect(page.getByRole('img', { name: /IB1: Elevation/ })).toBeVisible({ timeout: 30_000 });
});

test('a file that holds macros is refused in words, and nothing is lost', async ({ page }) => {
  await openDemo(page);
  await page.goto('/project?p=alderlight-playhouse');
  await page.getByRole('button', { name: 'import a table' }).click();
  const dialog = page.getByRole('dialog', { name: 'Import a table of another analysis' });
  await dialog
    .getByLabel('File with a table')
    .setInputFiles({ name: 'old.xls', mimeType: 'application/vnd.ms-excel', buffer: Buffer.from([0xd0, 0xcf, 0x11, 0xe0]) });
  await expect(dialog.getByRole('alert')).toContainText('old binary form');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('row', { name: /G2/ }).first()).toBeVisible();
});

/** A closed line and a circle as a drawing in metres has them. */
const dxf = [
  ...['0', 'SECTION', '2', 'HEADER', '9', '$INSUNITS', '70', '6', '0', 'ENDSEC', '0', 'SECTION', '2', 'ENTITIES'],
  ...['0', 'LWPOLYLINE', '8', 'SLAB', '90', '4', '70', '1'],
  ...[
    [500, 200],
    [509, 200],
    [509, 206],
    [500, 206],
  ].flatMap(([x, y]) => ['10', String(x), '20', String(y)]),
  ...['0', 'CIRCLE', '8', 'COLUMNS', '10', '504.5', '20', '203', '40', '0.2'],
  ...['0', 'ENDSEC', '0', 'EOF', ''],
].join('\n');

test('a slab and its column come out of a drawing, in one edit', async ({ page }) => {
  await openDemo(page);
  await page.goto('/project?p=alderlight-playhouse');
  await page.getByRole('button', { name: 'Add a plate' }).click();
  await page.waitForURL('**/plate**');
  await page.getByRole('radio', { name: 'Outline' }).click();
  const file = page.getByLabel('DXF with the outline');
  await file.setInputFiles({ name: 'x.dxf', mimeType: 'image/vnd.dxf', buffer: Buffer.from('no drawing') });
  await expect(page.getByRole('alert').filter({ hasText: 'x.dxf' })).toContainText('cannot be read as a DXF');
  await file.setInputFiles({ name: 'plan.dxf', mimeType: 'image/vnd.dxf', buffer: Buffer.from(dxf) });
  const dialog = page.getByRole('dialog', { name: 'Plan from a drawing' });
  await expect(dialog).toContainText('4 corners, 0 openings, 1 column');
  await expect(dialog.getByLabel('A unit of the drawing is')).toHaveValue('1000');
  await dialog.getByRole('button', { name: 'Take it over' }).click();
  await expect(page.getByRole('textbox', { name: 'Corners of the outline' })).toHaveValue(/9000\t0/);
  await page.getByRole('radio', { name: 'Supports' }).click();
  await expect(page.getByRole('table', { name: 'Columns' }).getByRole('row')).toHaveCount(2);
  await expect(page.getByRole('table', { name: 'Columns' })).toContainText('round');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('table', { name: 'Columns' }).getByRole('row')).not.toHaveCount(2);
});

test('members come out of a building model, chosen from a list', async ({ page }, info) => {
  await openDemo(page);
  await page.goto('/report?p=alderlight-playhouse&m=fc3');
  await expect(page.getByRole('button', { name: 'Building model as IFC' })).toBeEnabled({ timeout: 30_000 });
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Building model as IFC' }).click();
  const path = info.outputPath('model.ifc');
  await (await download).saveAs(path);
  await page.goto('/');
  await page
    .getByRole('button', { name: /floors/i })
    .first()
    .click();
  await page.waitForURL('**/project**');
  await page.getByRole('button', { name: 'import a table' }).click();
  await page.getByLabel('File with a table').setInputFiles(path);
  const dialog = page.getByRole('dialog', { name: 'Members of' });
  await expect(dialog.getByRole('row', { name: /FC3.*column 350 mm × 450 mm/ })).toBeVisible();
  await dialog.getByRole('button', { name: 'Take over 1 member' }).click();
  await expect(page.getByRole('row', { name: /FC3/ })).toContainText('350 × 450');
  await expect(page.getByRole('row', { name: /FC3/ })).toContainText('No forces yet');
});
