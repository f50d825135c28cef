import { drawn, expect, rung, test } from './helpers';

test('a slab from nothing as a plate: an edge is clamped, an opening typed, a mesh set, a map chosen, the report printed', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start with a plate' }).click();
  await expect(rung(page, 'bending-bottom-x')).toBeVisible();
  await expect(drawn(page, 'edge.2')).toHaveText('simple');
  await drawn(page, 'edge.2').click();
  await expect(drawn(page, 'edge.2')).toHaveText('clamped');
  await page.getByLabel('What the plan shows').selectOption('topY');
  await expect(page.getByRole('group', { name: 'Plan, steel above along y' })).toBeVisible();
  // Outline: an opening below the corners, after an empty line.
  await page.getByRole('radio', { name: 'Outline' }).click();
  const corners = page.getByRole('textbox', { name: 'Corners of the outline' });
  await corners.fill('0 0\n6000 0\n6000 5000\n0 5000\n\n2000 1500\n3200 1500\n3200 2500\n2000 2500');
  await corners.press('Tab');
  await page.getByRole('radio', { name: 'Plan' }).click();
  await drawn(page, 'bars.bottom.x').click();
  const bars = page.getByRole('textbox', { name: 'Bars bottom, along x' });
  await bars.fill('H10 @ 300');
  await bars.press('Enter');
  await expect(drawn(page, 'bars.bottom.x')).toContainText('bottom x: H10 @ 300');
  await expect(rung(page, 'bending-bottom-x')).toBeVisible();
  await page.getByRole('radio', { name: 'By hand' }).click();
  await expect(page.getByRole('table').first()).toContainText('agrees');
  await page.getByRole('button', { name: 'Report' }).click();
  await expect(page.getByRole('article')).toContainText('Poisson');
  await expect(page.getByRole('article')).toContainText('Openings');
});

test('an outline that crosses itself is told, and the last good plan stays', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start with a plate' }).click();
  await expect(rung(page, 'shear')).toBeVisible();
  await page.getByRole('radio', { name: 'Outline' }).click();
  const x = page.getByRole('textbox', { name: 'x of corner 2' });
  await x.fill('-3000');
  await x.press('Enter');
  await expect(page.getByText(/cross each other/).first()).toBeVisible();
  await expect(rung(page, 'shear')).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByText(/cross each other/)).toHaveCount(0);
});

test('a column is put below, moved on the plan, a line laid and a history set: every status follows', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start with a plate' }).click();
  await expect(rung(page, 'bending-bottom-x')).toBeVisible();
  await page.getByRole('radio', { name: 'Supports' }).click();
  await page.getByRole('button', { name: 'Add a column' }).click();
  await expect(rung(page, 'punching-1')).toBeVisible();
  // A beam across the middle carries and is told with its moments; taken out again the column punches as before.
  await page.getByRole('button', { name: 'Add a beam' }).click();
  const beams = page.getByRole('table', { name: 'Beams below' });
  await expect(beams.getByRole('row').nth(1)).toContainText(/\d+\.\d/);
  await beams.getByRole('button', { name: /Delete/ }).click();
  await expect(rung(page, 'punching-1')).toBeVisible();
  await page.getByRole('radio', { name: 'Plan' }).click();
  const before = await rung(page, 'punching-1').textContent();
  // Its name opens where it stands; it is moved by typing, and by dragging its middle.
  await page.locator('text[data-edit="hold.columns.0.0"]').click();
  const place = page.getByRole('textbox', { name: /column C1/ });
  await place.fill('2000, 2000');
  await place.press('Enter');
  await expect.poll(() => rung(page, 'punching-1').textContent()).not.toBe(before);
  const handle = page.locator('circle[data-edit="hold.columns.0.0"]');
  const box = (await handle.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y - 30, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByRole('button', { name: /^Undo: column C1 moved/ })).toBeVisible();
  await page.getByRole('radio', { name: 'Reactions' }).click();
  await expect(page.getByRole('table', { name: 'Columns under ultimate loads' })).toContainText('C1');
  await page.getByRole('radio', { name: 'Deflection' }).click();
  await page.getByRole('button', { name: 'Lay a line' }).click();
  const lines = page.getByRole('table', { name: 'Straightedges' });
  await expect(lines).toContainText(' of ');
  await page.getByRole('button', { name: 'Set a history' }).click();
  await expect(page.getByRole('table', { name: 'Largest deflection by stage' })).toContainText('in use, end');
});

test('a slab is drawn: corners moved, an opening, a column and a line laid with the pointer, a stage added; its status follows', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start with a plate' }).click();
  await expect(rung(page, 'bending-bottom-x')).toBeVisible();
  const lay = page.getByLabel('What is laid or moved');
  const plan = async () => (await page.getByRole('group', { name: /^Plan,/ }).boundingBox())!;
  const pull = async (from: readonly [number, number], to: readonly [number, number]) => {
    const { x, y, height, width } = await plan();
    const at = ([fx, fy]: readonly [number, number]) => [x + fx * (width - 196), y + fy * height] as const;
    await page.mouse.move(...at(from));
    await page.mouse.down();
    await page.mouse.move(...at(to), { steps: 4 });
    await page.mouse.up();
  };
  const share = () => rung(page, 'bending-bottom-x').textContent();
  const tried = async (act: () => Promise<void>) => {
    const before = await share();
    await act();
    await expect.poll(share, { timeout: 15_000 }).not.toBe(before);
  };
  // A corner is taken by its ring, with the pointer, and with the keys.
  await lay.selectOption('corners');
  const ring = page.getByRole('button', { name: 'Move corner 3' });
  await tried(async () => {
    const box = (await ring.boundingBox())!;
    await page.mouse.move(box.x + 4, box.y + 4);
    await page.mouse.down();
    await page.mouse.move(box.x - 60, box.y + 4, { steps: 4 });
    await page.mouse.up();
  });
  await ring.focus();
  await ring.press('ArrowUp');
  await expect(page.getByRole('button', { name: /^Undo: corner 3 moved/ })).toBeVisible();
  await lay.selectOption('openings');
  await tried(() => pull([0.25, 0.5], [0.35, 0.6]));
  await expect(page.getByRole('button', { name: /^Undo: opening laid/ })).toBeVisible();
  await lay.selectOption('columns');
  await tried(() => pull([0.6, 0.5], [0.6, 0.5]));
  await expect(rung(page, 'punching-1')).toBeVisible();
  await lay.selectOption('lines');
  await expect(page.getByLabel('What the plan shows')).toHaveValue('deflection');
  await pull([0.2, 0.7], [0.7, 0.72]);
  await expect(page.getByRole('button', { name: /^Undo: line laid/ })).toBeVisible();
  await page.getByRole('radio', { name: 'Deflection' }).click();
  await expect(page.getByRole('table', { name: 'Straightedges' })).toContainText(' of ');
  await page.getByRole('button', { name: 'Set a history' }).click();
  const stages = page.getByRole('table', { name: 'Stages' });
  const rows = await stages.getByRole('row').count();
  await page.getByRole('button', { name: 'Add a stage' }).click();
  await expect(stages.getByRole('row')).toHaveCount(rows + 1);
  await expect(page.getByRole('table', { name: 'Largest deflection by stage' })).toContainText('later');
});

test('a place of punching is sent out of a slab and follows it; what is changed by hand lets go', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start with a plate' }).click();
  await expect(rung(page, 'bending-bottom-x')).toBeVisible();
  await page.getByRole('radio', { name: 'Supports' }).click();
  await page.getByRole('button', { name: 'Add a column' }).click();
  await expect(rung(page, 'punching-1')).toBeVisible();
  await page.getByRole('radio', { name: 'Reactions' }).click();
  await page.getByRole('button', { name: 'Send to a place of punching' }).click();
  const follows = page.getByRole('region', { name: 'What it follows' });
  await expect(follows).toContainText('Follows PL1 at column C1');
  const used = () => page.getByRole('region', { name: 'Checks ladder' }).locator('[data-check]').first().textContent();
  await expect.poll(used).toBeTruthy();
  const before = await used();
  // A deeper slab there is a deeper slab here.
  await follows.getByRole('link', { name: 'PL1' }).click();
  await expect(page.getByRole('heading', { name: /PL1/ })).toBeVisible();
  await drawn(page, 'depth').click();
  const depth = page.getByRole('textbox', { name: /depth/i }).first();
  await depth.fill('320');
  await depth.press('Enter');
  await page.getByRole('radio', { name: 'Reactions' }).click();
  await page.getByRole('link', { name: 'P1 follows' }).click();
  await expect(follows).toBeVisible();
  await expect.poll(used).not.toBe(before);
  await page.getByRole('radio', { name: 'Basis' }).click();
  const own = page.getByRole('textbox', { name: 'Depth of the slab' });
  await expect(own).toHaveValue(/^320/);
  await own.fill('350');
  await own.press('Enter');
  await expect(page.getByText(/stands by itself from now on/)).toBeVisible();
  await expect(follows).toHaveCount(0);
  // The column below follows as well; what stands above it is its own.
  await page.getByRole('link', { name: /^PL1/ }).first().click();
  await page.getByRole('radio', { name: 'Reactions' }).click();
  await page.getByRole('button', { name: 'Send to a column below' }).click();
  await expect(follows).toContainText('Follows PL1 at column C1');
  const above = page.getByRole('textbox', { name: 'N from above, most' });
  await above.fill('900');
  await above.press('Enter');
  await page.getByRole('radio', { name: 'Load sets' }).click();
  await expect(page.getByRole('textbox', { name: /^N of / }).first()).toHaveValue(/^(9|1\d)\d\d/);
  await expect(follows).toBeVisible();
});

test('a long design can be stopped and begun again; its strength is there before its deflections', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start with a plate' }).click();
  await expect(rung(page, 'bending-bottom-x')).toBeVisible();
  await page.getByRole('radio', { name: 'Basis' }).click();
  const mesh = page.getByRole('textbox', { name: /Sides of triangles/i });
  await mesh.fill('80');
  await mesh.press('Enter');
  await expect(page.getByText('Deflections follow.')).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: /begin again|go on/i })).toBeVisible();
  await expect(rung(page, 'bending-bottom-x')).toBeVisible();
  await page.getByRole('button', { name: /begin again|go on/i }).click();
  await expect(page.getByText('Deflections follow.')).toHaveCount(0, { timeout: 90_000 });
});

test('a round slab on a ring of columns with radial bars is typed; its parts are changed by radius and angle', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start with a plate' }).click();
  await expect(rung(page, 'bending-bottom-x')).toBeVisible();
  await page.getByRole('radio', { name: 'Outline' }).click();
  const diameter = page.getByRole('textbox', { name: 'Diameter of the circle' });
  await diameter.fill('9000');
  await diameter.press('Enter');
  await page.getByRole('button', { name: 'Make the outline round' }).click();
  await page.getByRole('combobox', { name: 'Edge of corner 1' }).selectOption('free');
  await page.getByRole('combobox', { name: 'Edge of corner 2' }).selectOption('free');
  await page.getByRole('radio', { name: 'Basis' }).click();
  await page.getByRole('combobox', { name: 'Bars run' }).selectOption('ring');
  await page.getByRole('radio', { name: 'Supports' }).click();
  await page.getByRole('spinbutton', { name: 'Number of columns in the ring' }).fill('6');
  const radius = page.getByRole('textbox', { name: 'Radius of the ring' });
  await radius.fill('3500');
  await radius.press('Enter');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByRole('table', { name: 'Columns' }).getByRole('row')).toHaveCount(7);
  await page.getByRole('radio', { name: 'Plan' }).click();
  await expect(drawn(page, 'bars.bottom.x')).toContainText('bottom radial: H');
  await expect(rung(page, 'punching-1')).toBeVisible();
  await page.getByLabel('What the plan shows').selectOption('topY');
  await expect(page.getByRole('group', { name: 'Plan, steel above around' })).toBeVisible();
  await page.getByRole('radio', { name: 'Bars' }).click();
  await page.getByRole('button', { name: 'Add bars over a part' }).click();
  const last = page.getByRole('table', { name: 'Bars over parts' }).getByRole('row').last();
  const angle = last.getByRole('textbox', { name: /^to angle/ });
  await angle.fill('120');
  await angle.press('Enter');
  await expect(angle).toHaveValue('120');
  await expect(page.getByText('set by hand')).toBeVisible();
  // Bars that slant cross at 30 degrees or more.
  await page.getByRole('radio', { name: 'Basis' }).click();
  await page.getByRole('combobox', { name: 'Bars run' }).selectOption('straight');
  const between = page.getByRole('textbox', { name: 'Bars y, from bars x' });
  await between.fill('20');
  await between.press('Enter');
  await expect(page.getByText(/cross at 30 to 150 degrees/).first()).toBeVisible();
  await between.fill('60');
  await between.press('Enter');
  await page.getByRole('radio', { name: 'Plan' }).click();
  await expect(drawn(page, 'bars.bottom.y')).toContainText('bottom at 60°');
});
