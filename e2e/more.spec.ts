import { drawn, expect, openBeam, openDemo, rung, test } from './helpers';

test('two tabs: the second to save is told, and nothing is overwritten silently', async ({ page, context }) => {
  await openBeam(page, 'fb1');
  const other = await context.newPage();
  await other.goto('/beam?p=alderlight-playhouse&m=fb1');
  await expect(other.locator('[data-check]').first()).toBeVisible();
  const setDepth = async (p: typeof page, text: string) => {
    await drawn(p, 'section.h').click();
    const field = p.getByRole('textbox', { name: 'Overall depth h' });
    await field.fill(text);
    await field.press('Enter');
  };
  await setDepth(other, '700');
  await expect(other.getByText(/^Saved \d\d:\d\d$/)).toBeVisible();
  await setDepth(page, '650');
  const alert = page.getByRole('alert').filter({ hasText: 'Not saved' });
  await expect(alert).toContainText('changed in another tab');
  await expect(drawn(page, 'section.h')).toHaveText('650');
  await alert.getByRole('button', { name: 'Keep mine' }).click();
  await expect(page.getByText(/^Saved \d\d:\d\d$/)).toBeVisible();
  await page.reload();
  await expect(drawn(page, 'section.h')).toHaveText('650');
});

test('storage that is denied: said plainly, the work goes on, the file is the way out', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', { value: undefined });
    Object.defineProperty(window, 'localStorage', {
      get() {
        throw new DOMException('denied', 'SecurityError');
      },
    });
    Object.defineProperty(window, 'openDatabase', { value: undefined });
  });
  await page.goto('/');
  await page.getByRole('button', { name: 'Start with a beam', exact: true }).click();
  await page.waitForURL('**/beam**');
  await expect(rung(page, 'bending-span-1')).toBeVisible();
  const alert = page.getByRole('alert').filter({ hasText: 'Not saved' });
  await expect(alert).toContainText('does not let this page keep data');
  const download = page.waitForEvent('download');
  await alert.getByRole('button', { name: 'Download file' }).click();
  expect((await download).suggestedFilename()).toMatch(/\.intarsia$/);
});

test('the US demo: inches, feet and kips from the drawing to the report', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Open the workshop annex' }).click();
  await page.waitForURL('**/project**');
  // By its name: what lies in the middle of a row explains itself once its figures are there.
  await page.getByRole('link', { name: /^W1/ }).click();
  await expect(rung(page, 'bending-support-B')).toBeVisible();
  await expect(drawn(page, 'section.h')).toHaveText('24');
  await drawn(page, 'spanLength.0').click();
  const span = page.getByRole('textbox', { name: 'Span 1' });
  await span.fill(`25'-6"`);
  await span.press('Enter');
  await expect(drawn(page, 'spanLength.0')).toHaveText('25.50');
  await rung(page, 'shear-right-of-A').getByRole('button').first().click();
  await expect(rung(page, 'shear-right-of-A')).toContainText('psi');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Report' }).click();
  await expect(page.getByRole('article')).toContainText('ACI 318-19, US customary form');
  await expect(page.getByRole('article')).toContainText('kip ft');
});

test('the report for the browser’s own print: title block, detail chosen per member, no frame of the application', async ({ page }) => {
  await openBeam(page, 'fb2');
  await page.getByRole('button', { name: 'Report' }).click();
  const article = page.getByRole('article');
  await expect(article).toContainText('Cloakroom beam FB2');
  await page.getByRole('combobox', { name: 'Detail of FB2' }).selectOption('summary');
  await expect(article.locator('math')).toHaveCount(0);
  await page.getByRole('combobox', { name: 'Detail of FB2' }).selectOption('full');
  await expect(article.locator('math').first()).toBeVisible();
  await page.getByRole('textbox', { name: 'checker' }).fill('I. Checker');
  await page.getByRole('textbox', { name: 'checker' }).blur();
  await expect(article).toContainText('I. Checker');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Report as PDF' })).toBeHidden();
  await expect(article).toBeVisible();
});

test('loads are edited as a table; a load off the beam is refused and the last good result stays', async ({ page }) => {
  await openBeam(page, 'g2');
  await page.getByRole('radio', { name: 'Loads' }).click();
  const at = page.getByRole('textbox', { name: 'From or at of load 3' });
  await at.fill('9 m');
  await at.press('Enter');
  await expect(page.getByText('The load stands off the span, which is 8400 mm long.').first()).toBeVisible();
  await expect(page.locator('[data-check]').first()).toBeVisible();
  await at.fill('4.2 m');
  await at.press('Enter');
  await expect(page.getByText('The load stands off the span')).toHaveCount(0);
});

test('text at 125 %, and the narrow and wide windows: nothing is lost', async ({ page }) => {
  await openBeam(page, 'g2');
  await page.getByRole('button', { name: 'Alderlight Playhouse' }).click();
  await page.getByRole('menuitem', { name: 'Text 125 %' }).click();
  for (const width of [1024, 1280, 1920]) {
    await page.setViewportSize({ width, height: 800 });
    await expect(drawn(page, 'section.h')).toBeVisible();
    await expect(rung(page, 'bending-support-B')).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  }
});

test('an address that leads nowhere says so and the way on', async ({ page }) => {
  await page.goto('/beam?p=nowhere&m=x');
  await expect(page.getByText('There is no such project in this browser.')).toBeVisible();
  await openDemo(page);
  await page.goto('/beam?p=alderlight-playhouse&m=missing');
  await expect(page.getByText('There is no such member in this project.')).toBeVisible();
  await page.getByRole('link', { name: 'To the start' }).click();
  await expect(page.getByText('In this browser')).toBeVisible();
});

test('the page’s policy forbids eval and inline scripts that are not its own', async ({ page, quiet }) => {
  const response = await page.goto('/');
  const policy = response!.headers()['content-security-policy'] ?? '';
  expect(policy).toContain("default-src 'self'");
  expect(policy).not.toContain("'unsafe-eval'");
  expect(/script-src ([^;]*)/.exec(policy)![1]).not.toContain("'unsafe-inline'");
  // From a timer: what the driver evaluates itself is exempt from the policy.
  const outcome = await page.evaluate(
    () =>
      new Promise<string>((resolve) =>
        setTimeout(() => {
          try {
            new Function('return 1')();
            resolve('ran');
          } catch (error) {
            resolve((error as Error).name);
          }
        }, 0),
      ),
  );
  expect(outcome).toBe('EvalError');
  const inline = await page.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'document.title = "ran"';
    document.head.append(script);
    return document.title;
  });
  expect(inline).not.toBe('ran');
  // The browser itself reports what the policy stopped: that is what was wanted here.
  quiet.length = 0;
});

test('the finder finds fields of views that are not shown, adds a member of any kind, and explains', async ({ page }) => {
  await openBeam(page, 'g2');
  const find = async (text: string) => {
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'Find or do' }).fill(text);
  };
  await find('cover sides');
  await page.getByRole('option', { name: 'Cover to links, sides · Basis' }).click();
  await expect(page.getByRole('textbox', { name: 'Cover to links, sides' })).toBeFocused();
  await find('fire');
  await expect(page.getByRole('option', { name: /^Explain.*[Ff]ire/ })).toBeVisible();
  await page.getByRole('combobox', { name: 'Find or do' }).fill('add slab');
  await page.getByRole('option', { name: /add a slab/ }).click();
  await page.waitForURL('**/strip?**');
});
