import { drawn, expect, openDemo, rung, test } from './helpers';
import type { Page } from '@playwright/test';

async function openPlace(page: Page, id: string): Promise<void> {
  await openDemo(page);
  await page.goto(`/punching?p=alderlight-playhouse&m=${id}`);
  await expect(page.locator('[data-check]').first()).toBeVisible();
}

test('the plan is the form: bars, an edge and an opening are changed on it and the checks follow', async ({ page }) => {
  await openPlace(page, 'sp2');
  await drawn(page, 'bars.x').click();
  const bars = page.getByRole('textbox', { name: 'Top bars along x' });
  await bars.fill('H20 / H16 @ 125');
  await bars.press('Enter');
  await expect(drawn(page, 'bars.x')).toContainText('H20 / H16 @ 125');
  await drawn(page, 'edge.left').click();
  const edge = page.getByRole('textbox', { name: 'To the left edge' });
  await edge.fill('150');
  await edge.press('Enter');
  await expect(drawn(page, 'edge.left')).toHaveText('150');
  await page.locator('text[data-edit="opening.0"]').click();
  const opening = page.getByRole('dialog', { name: 'Opening 1' });
  const x = opening.getByRole('textbox', { name: 'Centre x of opening 1' });
  await x.fill('0');
  await x.press('Enter');
  const y = opening.getByRole('textbox', { name: 'Centre y of opening 1' });
  await y.fill('100');
  await y.press('Enter');
  await expect(page.getByText('The opening lies over the column.').first()).toBeVisible();
  await y.fill('500');
  await y.press('Enter');
  await expect(page.getByText('The opening lies over the column.')).toHaveCount(0);
  await expect(rung(page, 'reinforced')).toBeVisible();
});

test('a place from nothing: too much shear, legs chosen with one click, forces pasted, the report has the plan', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Add punching' }).click();
  await page.waitForURL('**/punching**');
  const shear = page.getByRole('textbox', { name: 'Shear V of U1' });
  await shear.fill('700');
  await shear.press('Enter');
  await expect(rung(page, 'plain')).toContainText(/Without links the slab does not carry/);
  await page.getByRole('button', { name: 'single changes' }).click();
  await page
    .getByRole('button', { name: /^Try .* legs of/ })
    .first()
    .click();
  await expect(rung(page, 'plain')).toHaveCount(0);
  await expect(page.getByText(/ 0? ?over|over ·/)).toHaveCount(0);
  await rung(page, 'reinforced').getByRole('button').first().click();
  await expect(rung(page, 'reinforced').locator('math').first()).toBeVisible();
  await page.getByRole('region', { name: 'Forces' }).evaluate((el) => {
    const data = new DataTransfer();
    data.setData('text', 'Set\tV\tMx\tMy\nULS 1\t640\t10\t20\nULS 2\t610 kN\tnone\t35\nULS 3\t590\t5\t8');
    el.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(page.getByText(/^M about x: "none" is not a number/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep 2 sets' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of ULS 3' })).toHaveValue('ULS 3');
  const id = new URL(page.url()).searchParams.get('m')!;
  await page.goto(`/report?p=alderlight-playhouse&m=${id}`);
  await expect(page.getByText(/^Plan to scale/)).toBeVisible();
});

test('studs that an opening takes are said and not counted; a variant keeps what was', async ({ page }) => {
  await openPlace(page, 'sp2');
  await expect(rung(page, 'legs-placed')).toContainText(/left out and not counted/);
  await page.getByRole('radio', { name: 'Variants' }).click();
  await page.getByLabel('Name of the variant').fill('with studs');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('radio', { name: 'Plan' }).click();
  await drawn(page, 'legs').click();
  await page.getByLabel('Kind of legs').selectOption('none');
  await expect(rung(page, 'plain')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('radio', { name: 'Variants' }).click();
  await page.getByRole('button', { name: 'adopt' }).click();
  await expect(rung(page, 'reinforced')).toBeVisible();
});
