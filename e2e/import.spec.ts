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
