import { drawn, expect, openBeam, rung, test } from './helpers';

test('a column to AS 3600 from nothing: its ties are changed until confinement holds, and each fire table is seen', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Code', { exact: true }).selectOption({ label: 'AS 3600:2018' });
  await page.getByRole('button', { name: 'Start with a column' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('C1');
  await page.getByRole('radio', { name: 'Load sets' }).click();
  await page.getByLabel('Sustained part of all sets').fill('0.6');
  await page.getByLabel('Sustained part of all sets').press('Enter');
  const cell = (name: string) => page.getByRole('textbox', { name, exact: true }).first();
  const row = await page
    .getByRole('textbox', { name: /^N of / })
    .first()
    .getAttribute('aria-label');
  await cell(row!).fill('5200');
  await cell(row!).press('Enter');
  await page.getByRole('radio', { name: 'Basis' }).click();
  for (const [field, value] of [
    ['Concrete f′c', '80'],
    ['Clear height', '2800'],
    ['Cover to ties', '45'],
  ] as const) {
    await page.getByLabel(field, { exact: true }).fill(value);
    await page.getByLabel(field, { exact: true }).press('Enter');
  }
  await page.getByLabel('Fire resistance', { exact: true }).selectOption('30 min');
  await expect(rung(page, 'confinement')).toContainText('Confinement of the core');
  await expect(rung(page, 'fire')).toContainText('Fire: ');
  // The other ways stand beside the one that counts, each with what it says.
  for (const id of ['fire-2', 'fire-3']) await expect(rung(page, id)).toContainText('Fire: ');
  await expect(rung(page, 'confinement')).toContainText('The core needs 0.8 MPa');
  await page.getByRole('radio', { name: 'Sheet' }).click();
  await drawn(page, 'ties').click();
  await page.getByRole('textbox', { name: 'Ties' }).fill('N12 @ 60');
  await page.keyboard.press('Enter');
  await expect(rung(page, 'confinement')).not.toContainText('The core needs');
  await expect(rung(page, 'tie-spacing')).toBeVisible();
});

test('fire of a beam to EN 1992-1-2: asked for on the basis, exceeded, and what is lacking is said', async ({ page }) => {
  await openBeam(page, 'g2');
  await expect(rung(page, 'fire')).toContainText('No fire resistance is asked for');
  await page.getByRole('radio', { name: 'Basis' }).click();
  await page.getByLabel('Fire resistance', { exact: true }).selectOption('240 min');
  await expect(rung(page, 'fire')).toContainText(/\d+ min of fire by .*, 240 are asked for: /);
  await page.getByLabel('Fire resistance', { exact: true }).selectOption('30 min');
  await expect(rung(page, 'fire')).not.toContainText('asked for: ');
});

test('a column in a fire: temperatures, axis distances and each way stand beside each other, one side alone is told apart', async ({
  page,
}) => {
  await openBeam(page, 'g2');
  await page.goto('/column?p=alderlight-playhouse&m=fc2');
  await expect(page.locator('[data-check]').first()).toBeVisible();
  await page.getByRole('radio', { name: 'Fire', exact: true }).click();
  await expect(page.getByText('Ask for a fire resistance to see')).toBeVisible();
  await page.getByLabel('Fire resistance', { exact: true }).selectOption('90 min');
  await expect(page.getByRole('heading', { name: 'Each way' })).toBeVisible();
  await expect(page.getByText('EN 1992-1-2 table 5.2a').first()).toBeVisible();
  await expect(page.getByText('500 °C isotherm').first()).toBeVisible();
  await expect(page.getByRole('group', { name: 'Section in fire' })).toBeVisible();
  // The load bends it about both axes: three ends, and each axis by itself.
  await expect(page.getByRole('table', { name: 'Each end and axis' }).getByRole('row')).toHaveCount(9);
  const hottest = page.getByRole('table', { name: 'Bars in fire' }).getByRole('row').nth(1);
  const before = await hottest.textContent();
  await page.getByLabel('Period shown').selectOption('240 min');
  await expect(hottest).not.toHaveText(before!);
  await page.getByLabel('One side alone is exposed').check();
  await page.getByLabel('Side shown').selectOption('left');
  await expect(page.getByLabel('Side shown')).toHaveValue('left');
});

test('one member beside every code', async ({ page }) => {
  await openBeam(page, 'g2');
  await page.goto('/column?p=alderlight-playhouse&m=fc1');
  await page.getByRole('radio', { name: 'Variants' }).click();
  await page.getByRole('button', { name: 'Design to every code' }).click();
  const table = page.getByRole('table', { name: 'The member to every code' });
  await expect(table.getByText('AS 3600:2018')).toBeVisible();
  await expect(table.getByText('in use')).toHaveCount(1);
  await expect(table.getByText('being designed')).toHaveCount(0);
});
