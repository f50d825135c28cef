import { expect, rung, test } from './helpers';

test('a column of a special frame to ACI from nothing: what is missing is asked for, ties are changed until the core is confined', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByLabel('Code', { exact: true }).selectOption({ label: 'ACI 318-19, SI form' });
  await page.getByRole('button', { name: 'Start with a column' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('C1');
  await page.getByRole('radio', { name: 'Load sets' }).click();
  await page.getByLabel('Sustained part of all sets').fill('0.6');
  await page.getByLabel('Sustained part of all sets').press('Enter');
  await page.getByRole('radio', { name: 'Basis' }).click();
  await expect(rung(page, 'frame-core-top')).toHaveCount(0);
  await page.getByLabel('Ductile frame', { exact: true }).selectOption('special moment frame');
  await page.getByLabel('Joint at the foot').selectOption('the foundation');
  await expect(rung(page, 'frame-joint-top-x')).toContainText('State the strength of the beams at the top');
  await expect(rung(page, 'frame-joint-foot-x')).toHaveCount(0);
  const set = async (field: string, value: string) => {
    await page.getByLabel(field, { exact: true }).fill(value);
    await page.getByLabel(field, { exact: true }).press('Enter');
  };
  await set('Strength of the beams at the top, about x', '5000');
  await expect(rung(page, 'frame-joint-top-x')).toContainText('a stronger column, or weaker beams');
  await set('Strength of the beams at the top, about x', '90');
  await set('Strength of the beams at the top, about y', '80');
  await expect(rung(page, 'frame-joint-top-x')).not.toContainText('stronger column');
  // Bare corner bars: more of them, so that held bars stand near enough; then thicker and closer ties.
  await expect(rung(page, 'frame-core-top')).toContainText('closer ties there');
  await page.getByRole('radio', { name: 'Sheet' }).click();
  await page.locator('[data-edit="ties"]').first().click();
  await page.getByRole('textbox', { name: 'Ties' }).fill('No.13 @ 60');
  await page.keyboard.press('Enter');
  await expect(rung(page, 'frame-core-top')).not.toContainText('closer ties there');
  await expect(rung(page, 'frame-shear-y')).toContainText('as the ends yield');
});

test('a class of another code is said, and a column of EN 1998-1 is confined at its foundation alone', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Code', { exact: true }).selectOption({ label: 'EN 1992-1-1 with recommended values' });
  await page.getByRole('button', { name: 'Start with a column' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('C1');
  await page.getByRole('radio', { name: 'Basis' }).click();
  await page.getByLabel('Ductile frame', { exact: true }).selectOption('ductility class medium');
  await expect(rung(page, 'frame-axial')).toContainText('Axial force in an earthquake');
  await expect(rung(page, 'frame-core-foot')).toHaveCount(0);
  await page.getByLabel('Joint at the foot').selectOption('the foundation');
  await expect(rung(page, 'frame-core-foot')).toContainText('Confinement of the core, foot');
  await page.getByLabel('Sensitivity to drift θ').fill('0.05');
  await page.getByLabel('Sensitivity to drift θ').press('Enter');
  await expect(rung(page, 'frame-depth-x')).toHaveCount(0);
});
