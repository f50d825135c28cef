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
