import { spawn, type ChildProcess } from 'node:child_process';
import { readFile, writeFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { drawn, expect, makeDeep, test } from './helpers';

test.use({ serviceWorkers: 'allow' });

const PORT = Number(process.env.E2E_PORT ?? 3217) + 1;
const address = `http://127.0.0.1:${PORT}`;
let server: ChildProcess | undefined;

async function start(): Promise<void> {
  // Not through npx: what is started is what is stopped.
  server = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT)], {
    stdio: 'ignore',
  });
  await expect
    .poll(
      () =>
        fetch(address).then(
          (r) => r.status,
          () => 0,
        ),
      { timeout: 60_000 },
    )
    .toBe(200);
}
const stop = () =>
  new Promise<void>((done) => {
    if (!server || server.exitCode !== null || server.signalCode !== null) return done();
    server.once('exit', () => done());
    server.kill('SIGKILL');
  });
/** Waits until everything was kept and pages come from there. */
const controlled = (page: Page) =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    if (!navigator.serviceWorker.controller)
      await new Promise((done) => navigator.serviceWorker.addEventListener('controllerchange', done, { once: true }));
  });
test.afterEach(stop);

test('after the first visit everything works with the server stopped: reload, edit, other screens, papers', async ({ page, quiet }) => {
  test.setTimeout(240_000);
  await start();
  await page.goto(`${address}/?open=demo`);
  await page.waitForURL('**/project**');
  await controlled(page);
  await stop();
  expect(
    await fetch(address).then(
      () => 'answers',
      () => 'stopped',
    ),
  ).toBe('stopped');

  // Reload and edit: the worker that designs starts from what was kept.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Alderlight Playhouse' })).toBeVisible();
  await page.goto(`${address}/beam?p=alderlight-playhouse&m=g2`);
  await expect(page.locator('[data-check]').first()).toBeVisible();
  await makeDeep(page, '777');
  await page.reload();
  await expect(drawn(page, 'section.h')).toHaveText('777');

  // Every kind of member has its screen, with figures.
  for (const [kind, id] of Object.entries({ column: 'fc3', wall: 'dw1', strip: 'cs1', panel: 'dr2', punching: 'sp1' })) {
    await page.goto(`${address}/${kind}?p=alderlight-playhouse&m=${id}`);
    await expect(page.locator('[data-check]').first()).toBeVisible();
  }

  // The report and its PDF, whose fonts and worker were kept.
  await page.goto(`${address}/report?p=alderlight-playhouse`);
  const save = page.getByRole('button', { name: 'Report as PDF' });
  await expect(save).toBeEnabled({ timeout: 60_000 });
  const [download] = await Promise.all([page.waitForEvent('download', { timeout: 120_000 }), save.click()]);
  expect(await download.failure()).toBeNull();
  // Parts of pages that the framework looks for in advance have no server to come from.
  quiet.splice(0, quiet.length, ...quiet.filter((text) => !/ERR_CONNECTION_REFUSED|Failed to fetch/.test(text)));
});

test('a new version asks before it takes over, and the edit under way is kept', async ({ page }) => {
  const kept = await readFile('public/sw.js', 'utf8');
  await start();
  try {
    await page.goto(`${address}/?open=demo`);
    await page.waitForURL('**/project**');
    await controlled(page);
    await page.goto(`${address}/beam?p=alderlight-playhouse&m=g2`);
    await expect(page.locator('[data-check]').first()).toBeVisible();
    // As after another build: the same files under another version.
    await writeFile('public/sw.js', kept.replace(/const VERSION = "[^"]*"/, 'const VERSION = "another"'));
    await makeDeep(page, '790');
    await page.evaluate(() => navigator.serviceWorker.getRegistration().then((found) => found!.update()));
    const asked = page.getByRole('status').filter({ hasText: 'A new version of Intarsia is here.' });
    await expect(asked).toBeVisible({ timeout: 60_000 });
    // Until it is told to, it changes nothing.
    expect(await page.evaluate(() => caches.keys().then((names) => names.length))).toBe(2);
    await asked.getByRole('button', { name: 'Use it now' }).click();
    await expect
      .poll(() => page.evaluate(() => caches.keys().then((names) => names.join())).catch(() => ''), { timeout: 60_000 })
      .toBe('intarsia-another');
    await expect(drawn(page, 'section.h')).toHaveText('790');
    await expect(asked).toBeHidden();
  } finally {
    await writeFile('public/sw.js', kept);
  }
});
