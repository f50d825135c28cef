import { drawn, expect, openDemo, rung, test } from './helpers';
import type { Page } from '@playwright/test';

async function openSlab(page: Page): Promise<void> {
  await openDemo(page);
  await page.goto('/strip?p=alderlight-playhouse&m=cs1');
  await expect(page.locator('[data-check]').first()).toBeVisible();
}

test('bars are changed where they are drawn, and the checks follow while they are typed', async ({ page }) => {
  await openSlab(page);
  await expect(rung(page, 'bending-span-1')).toContainText('0.96');
  await drawn(page, 'bottom.0').click();
  const bars = page.getByRole('textbox', { name: 'Bottom bars, span 1', exact: true });
  await bars.fill('H12 @ 300');
  // Already for the tentative value: too few, and too far apart.
  await expect(rung(page, 'bending-span-1')).toContainText('1.1');
  await bars.fill('H12 / H10 @ 150');
  await bars.press('Enter');
  await expect(drawn(page, 'bottom.0')).toContainText('H12 / H10 @ 150');
  await expect(rung(page, 'bending-span-1')).not.toContainText('0.96');
  await drawn(page, 'depth').click();
  const depth = page.getByRole('textbox', { name: 'Depth of the slab' });
  await depth.fill('30');
  await depth.press('Enter');
  await expect(page.getByText(/depth of a slab must lie between 60 mm/).first()).toBeVisible();
  await drawn(page, 'depth').click();
  await depth.fill('225');
  await depth.press('Enter');
  await expect(page.getByText(/depth of a slab must lie/)).toHaveCount(0);
  await expect(drawn(page, 'depth')).toHaveText('225');
});

test('a slab from nothing: loads pasted, a span added, its bars copied, a way forward taken, the report printed', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Add a slab' }).click();
  await page.waitForURL('**/strip**');
  await expect(rung(page, 'bending-span-1')).toBeVisible();
  await page.getByRole('radio', { name: 'Loads' }).click();
  await page.getByRole('table', { name: 'Loads' }).evaluate((el) => {
    const data = new DataTransfer();
    data.setData('text', 'Case\tType\tSpan\tValue\tat\tto\nG\tline\t1\t4.5\t2000\nQ\tpart\t2\t2.5 kN/m2\t0.5 m\t3 m\nQ\tarea\t9\t3');
    el.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(page.getByText(/There is no span "9": there are 2 spans/)).toBeVisible();
  await expect(page.getByRole('table', { name: 'Loads' }).getByRole('row')).toHaveCount(5);
  await page.getByRole('radio', { name: 'Basis' }).click();
  await page.getByLabel('Spans, with cantilevers').fill('3');
  await page.getByRole('radio', { name: 'Bars' }).click();
  const bars = page.getByRole('textbox', { name: 'Bottom bars of span 1', exact: true });
  await bars.fill('H12 @ 125');
  await bars.press('Enter');
  await page.getByRole('button', { name: 'to all spans' }).first().click();
  await expect(page.getByRole('textbox', { name: 'Bottom bars of span 3', exact: true })).toHaveValue('H12 @ 125');
  await expect(page.getByRole('table', { name: 'Bar schedule' }).getByText('bottom, span 2')).toBeVisible();
  await page.getByRole('radio', { name: 'Drawing' }).click();
  await page.getByRole('button', { name: 'single changes' }).click();
  await page.getByRole('button', { name: 'Try depth 225 mm' }).click();
  await expect(drawn(page, 'depth')).toHaveText('225');
  await rung(page, 'bending-span-1').getByRole('button').first().click();
  await expect(rung(page, 'bending-span-1').locator('math').first()).toBeVisible();
  const id = new URL(page.url()).searchParams.get('m')!;
  await page.goto(`/report?p=alderlight-playhouse&m=${id}`);
  await expect(page.getByText(/^Plan, breadth not to scale/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Bar schedule', exact: true })).toBeVisible();
});

test('the station line and a support work by keyboard', async ({ page }) => {
  await openSlab(page);
  const line = page.getByRole('slider', { name: 'Station along the slab' });
  await line.focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(line).toHaveAttribute('aria-valuetext', '1.00 m');
  await drawn(page, 'support.0').click();
  await page.getByRole('dialog', { name: 'Support A' }).getByRole('combobox').selectOption('fixed');
  await page.keyboard.press('Escape');
  await expect(rung(page, 'bending-support-A')).toBeVisible();
});
