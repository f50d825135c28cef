// Makes the pictures of docs/screenshots from the demo data. Needs a build.
import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';
import { launchOptions } from './browser.mjs';

const PORT = 3291;
const base = `http://127.0.0.1:${PORT}`;
const server = spawn('npx', ['next', 'start', '-H', '127.0.0.1', '-p', String(PORT)], { stdio: 'ignore', detached: true });
const browser = await chromium.launch(launchOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });

for (let i = 0; i < 60; i += 1) {
  try {
    await page.goto(base);
    break;
  } catch {
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
}
/** Every member of the list has its figure, and the ways forward are found. */
const isSettled = () => {
  const list = document.querySelector('aside[aria-label="Members"]')?.innerText ?? '';
  return !/\n–/.test(list) && !document.body.innerText.includes('Looking for');
};
const shot = async (name) => {
  // A view that shows something unfinished for good is taken as it is.
  await page.waitForFunction(isSettled, null, { timeout: 30_000 }).catch(() => undefined);
  await page.waitForTimeout(900);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
};
const beam = async (id, project = 'alderlight-playhouse') => {
  await page.goto(`${base}/beam?p=${project}&m=${id}`);
  await page.locator('[data-check]').first().waitFor();
};

await shot('start');
await page.getByRole('button', { name: 'Open Alderlight Playhouse' }).click();
await page.waitForURL('**/project**');
await page.waitForTimeout(2500);
await shot('project');
await beam('g2');
await shot('beam');
await page.locator('[data-edit="section.h"]').first().click();
await page.getByRole('textbox', { name: 'Overall depth h' }).fill('600');
await shot('beam-edit');
await page.keyboard.press('Escape');
await page.getByRole('radio', { name: 'Bars' }).click();
await shot('bars');
await page.getByRole('button', { name: 'cage in space' }).click();
await page.waitForTimeout(800);
await shot('cage');
await page.getByRole('radio', { name: 'In service' }).click();
await shot('service');
await beam('d2');
await shot('forces');
await page.goto(`${base}/report?p=alderlight-playhouse&m=g2`);
await page.locator('button[aria-label="Report as PDF"]:enabled').waitFor();
await shot('report');
const column = async (id, project = 'alderlight-playhouse') => {
  await page.goto(`${base}/column?p=${project}&m=${id}`);
  await page.locator('[data-check]').first().waitFor();
};
await column('fc3');
await shot('column');
await page.getByRole('radio', { name: 'Surface' }).click();
await shot('surface');
await page.getByRole('radio', { name: 'Strains' }).click();
await shot('strains');
await column('dc1');
await page.getByRole('radio', { name: 'Variants' }).click();
await page.getByLabel('Name of the variant').fill('as drawn');
await page.getByRole('button', { name: 'Keep', exact: true }).click();
await page.getByRole('button', { name: 'bars for this size' }).click();
await page.getByRole('button', { name: 'try' }).first().click();
await page.getByRole('button', { name: 'Design to every code' }).click();
await page.waitForFunction(() => !document.body.textContent.includes('being designed'));
await shot('variants');
await page.goto(`${base}/strip?p=alderlight-playhouse&m=cs1`);
await page.locator('[data-check]').first().waitFor();
await shot('slab');
await page.goto(`${base}/panel?p=alderlight-playhouse&m=dr2`);
await page.locator('[data-check]').first().waitFor();
await shot('panel');
await page.goto(base);
await page.getByRole('button', { name: 'its floors' }).click();
await page.waitForURL('**/project**');
await page.goto(`${base}/plate?p=alderlight-floors&m=sf1`);
await page.locator('[data-check]').first().waitFor({ timeout: 60_000 });
await page.getByLabel('What the plan shows').selectOption('deflection');
await page.getByLabel('Profile along a line').selectOption({ index: 1 });
await shot('plate');
await page.goto(`${base}/punching?p=alderlight-playhouse&m=sp2`);
await page.locator('[data-check="reinforced"] button').first().click();
await shot('punching');
await page.goto(base);
await page.getByRole('button', { name: 'Open the workshop annex' }).click();
await page.waitForURL('**/project**');
await beam('w1', 'alderlight-annex');
await shot('beam-us');
await column('fc2');
await page.getByRole('radio', { name: 'Fire', exact: true }).click();
await page.getByLabel('Fire resistance', { exact: true }).selectOption('90 min');
await page.getByRole('heading', { name: 'Each way' }).waitFor();
await shot('fire');
await browser.close();
process.kill(-server.pid);
