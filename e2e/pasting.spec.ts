import type { Page } from '@playwright/test';
import { expect, rung, test } from './helpers';

const tsv = (...rows: (string | number)[][]) => rows.map((r) => r.join('\t')).join('\n');

async function pasteAt(page: Page, label: string, text: string): Promise<void> {
  await page.locator(`[aria-label="${label}"]`).first().waitFor();
  await page.evaluate(
    ([at, t]) => {
      const data = new DataTransfer();
      data.setData('text', t!);
      document
        .querySelector(`[aria-label="${at}"]`)!
        .dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    },
    [label, text],
  );
}

test('a section from nothing under pasted N, My, Mz, Vy, Vz and T: the pair that bends it is taken, the other is named', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'check a section with known forces' }).click();
  await page.waitForURL('**/beam?**');
  await pasteAt(
    page,
    'Design forces',
    tsv(['Case', 'N', 'My', 'Mz', 'Vy', 'Vz', 'T'], ['U1', -80, 150, 6, 4, 90, 0], ['U2', 60, -70, 0, 0, 110, 8]),
  );
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('alert')).toContainText('Left out, though they hold values: Mz, Vy');
  // Signs of N differ, so they are asked; 80 of the first row presses.
  await expect(dialog.getByRole('button', { name: 'Keep 2 rows' })).toBeDisabled();
  await dialog.getByRole('radio', { name: 'presses' }).click();
  await dialog.getByRole('checkbox', { name: /in place of/ }).check();
  await dialog.getByRole('button', { name: 'Keep 2 rows' }).click();
  await expect(rung(page, 'axial-1')).toBeVisible();
  await expect(rung(page, 'bending-1')).toBeVisible();
  await expect(rung(page, 'shear-2')).toBeVisible();
});

test('a beam of two spans from nothing out of the forces of an analysis: spans, sets for strength and service, bars and checks', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'beam with known forces along it' }).click();
  await page.waitForURL('**/beam?**');
  await page.getByRole('radio', { name: 'Forces' }).click();
  // Two spans of 6 m under w: w L²/8 over the support, V = 3/8 w L and 5/8 w L.
  const rows = (['U1', 'SLS char', 'SLS quasi'] as const).flatMap((set, k) =>
    ['B1', 'B2'].flatMap((span, right) =>
      [0, 1.5, 3, 4.5, 6].map((x) => {
        const w = [50, 35, 28][k]!;
        const from = right ? 6 - x : x;
        return [span, set, x, (w * (2.25 * from - from ** 2 / 2)).toFixed(3), ((right ? -1 : 1) * w * (2.25 - from)).toFixed(3)];
      }),
    ),
  );
  await pasteAt(page, 'Forces at stations', tsv(['Beam', 'Combination', 'x', 'M', 'V'], ...rows));
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('checkbox', { name: /spans as in the table: 6.00 m, 6.00 m/ })).toBeChecked();
  await expect(dialog.getByRole('combobox', { name: 'Set SLS quasi is for' })).toHaveValue('quasiPermanent');
  await dialog.getByRole('button', { name: 'Keep 30 rows' }).click();
  await expect(page.getByRole('table', { name: 'Sets of forces' })).toContainText('V is the slope of M');
  await expect(rung(page, 'crack-span-1')).toBeVisible();
  await expect(rung(page, 'bending-support-B')).toBeVisible();
  await page.getByRole('radio', { name: 'Drawing' }).click();
  await expect(page.getByText('against').first()).toBeVisible();
});

test('load sets of several columns from nothing, both ends in rows: each goes to the column of its mark', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start with a column' }).click();
  await page.waitForURL('**/column?**');
  await expect(page.getByRole('heading', { name: 'Column C1' })).toBeVisible();
  await page.getByRole('button', { name: /^Add a member/ }).click();
  await expect(page.getByRole('heading', { name: 'Column C2' })).toBeVisible();
  const rows = ['C1', 'C2'].flatMap((c, k) => [0, 3.5].map((x) => [c, 'U1', x, -900 - 100 * k, x === 0 ? -20 : 40, x === 0 ? 10 : 15, 17]));
  await pasteAt(page, 'Load sets', tsv(['Column', 'Load Case/Combo', 'Station', 'N', 'My', 'Mz', 'Vz'], ...rows));
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('status')).toContainText('4 rows understood as 2 load sets');
  await dialog.getByRole('checkbox', { name: /in place of/ }).check();
  await dialog.getByRole('button', { name: 'Keep 2 load sets' }).click();
  await page.getByRole('radio', { name: 'Load sets' }).click();
  await expect(page.getByRole('textbox', { name: 'N of U1' })).toHaveValue('1000');
  await expect(page.getByRole('textbox', { name: 'Mx top of U1' })).toHaveValue('40');
  await expect(page.getByRole('textbox', { name: 'Mx foot of U1' })).toHaveValue('-20');
  await expect(page.getByRole('textbox', { name: 'My top of U1' })).toHaveValue('15');
});
