// Kills the browser at some moment after an edit, opens it again and counts what was lost: npm run kill-test -- 60. Needs a build.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { launchOptions } from './browser.mjs';
import { serve } from './served.mjs';

const runs = Number(process.argv[2] ?? 60);
// What was typed in the last tenth of a second may be lost, nothing before it.
const KEPT = 100; // ms

const { address, end } = await serve(Number(process.env.PORT ?? 3399));
const profile = mkdtempSync(join(tmpdir(), 'kill-test-'));

/** A browser of its own, found by its profile: all its processes are killed together. */
const open = () => chromium.launchPersistentContext(profile, { ...launchOptions, viewport: { width: 1280, height: 800 } });
const kill = () => new Promise((done) => spawn('pkill', ['-9', '-f', profile], { stdio: 'ignore' }).on('exit', done));
const wait = (ms) => new Promise((done) => setTimeout(done, ms));

const titleField = async (page) => {
  await page.goto(`${address}/beam?p=alderlight-playhouse&m=g2`);
  await page.getByRole('radio', { name: 'Basis' }).click();
  const field = page.getByRole('textbox', { name: 'Title' }).first();
  await field.waitFor({ timeout: 60_000 });
  return field;
};

let [lost, early, kept] = [0, 0, 0];
try {
  let context = await open();
  let page = context.pages()[0] ?? (await context.newPage());
  await page.goto(`${address}/?open=demo`);
  await page.waitForURL('**/project**');
  await wait(2000);
  for (let run = 1; run <= runs; run += 1) {
    const field = await titleField(page);
    await wait(500);
    // Bursts of one to four edits, killed from at once to a second and a half after the last.
    const edits = 1 + (run % 4);
    let typed = '';
    for (let k = 0; k < edits; k += 1) {
      typed = `run ${run} edit ${k + 1}`;
      await field.fill(typed);
      await field.press('Enter');
    }
    const after = Math.round(((run * 7919) % 1500) * (run % 5 === 0 ? 0.1 : 1));
    await wait(after);
    await kill();
    await context.close().catch(() => undefined);
    context = await open();
    page = context.pages()[0] ?? (await context.newPage());
    const found = await (await titleField(page)).inputValue();
    if (found === typed) kept += 1;
    else if (after < KEPT) early += 1;
    else {
      lost += 1;
      console.log(`run ${run}: killed ${after} ms after "${typed}", found "${found}"`);
    }
  }
  await context.close();
} finally {
  await kill();
  end();
  rmSync(profile, { recursive: true, force: true });
}
console.log(`${runs} kills: ${kept} kept, ${early} killed within ${KEPT} ms of the edit and lost, ${lost} lost later than that`);
process.exitCode = lost > 0 ? 1 : 0;
