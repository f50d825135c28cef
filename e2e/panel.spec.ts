import { drawn, expect, openDemo, rung, test } from './helpers';

test('a panel: edges and corners turn at a click, bars are typed on the plan, a way forward is taken', async ({ page }) => {
  await openDemo(page);
  await page.goto('/panel?p=alderlight-playhouse&m=dr2');
  await expect(rung(page, 'bending-x')).toBeVisible();
  await drawn(page, 'edge.left').click();
  await expect(rung(page, 'bending-left')).toBeVisible();
  await drawn(page, 'corners').focus();
  await page.keyboard.press('Enter');
  await expect(drawn(page, 'corners')).toHaveText('corners may lift');
  await page.locator('text[data-edit="bars.x"]').click();
  const bars = page.getByRole('textbox', { name: 'Bars middle, along x' });
  await bars.fill('H8 @ 400');
  await bars.press('Enter');
  await expect(rung(page, 'most-spacing')).toContainText(/at most 250/);
  await page.getByRole('button', { name: 'single changes' }).click();
  await page.getByRole('button', { name: 'Try bars chosen anew' }).click();
  await expect(rung(page, 'most-spacing')).not.toContainText(/at most 250/);
  await page.goto('/report?p=alderlight-playhouse&m=dr2');
  await expect(page.getByText(/^Plan to scale: edges/)).toBeVisible();
});
