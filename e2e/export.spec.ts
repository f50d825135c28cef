import { readFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import { extname, join, normalize } from 'node:path';
import { expect, makeDeep, test } from './helpers';

const PORT = Number(process.env.E2E_PORT ?? 3217) + 2;
const address = `http://127.0.0.1:${PORT}`;
const types: Readonly<Record<string, string>> = {
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.svg': 'image/svg+xml',
  '.wasm': 'application/wasm',
  '.webmanifest': 'application/manifest+json',
};
let host: Server;

// A web host that knows nothing of the application: files, and the index of a folder.
test.beforeAll(async () => {
  host = createServer((request, response) => {
    const { pathname } = new URL(request.url!, address);
    const path = normalize(decodeURIComponent(pathname)).replace(/\/$/, '/index.html');
    readFile(join('out', path)).then(
      (bytes) => response.setHeader('content-type', types[extname(path)] ?? 'application/octet-stream').end(bytes),
      () => response.writeHead(404).end(),
    );
  });
  await new Promise<void>((done) => host.listen(PORT, '127.0.0.1', done));
});
test.afterAll(() => {
  host.closeAllConnections();
  host.close();
});

test('the static files work from a plain web host: demo, edit, another screen, report', async ({ page }) => {
  await page.goto(`${address}/?open=demo`);
  await page.waitForURL('**/project/**');
  await expect(page.getByRole('heading', { name: 'Alderlight Playhouse' })).toBeVisible();
  await page.goto(`${address}/beam/?p=alderlight-playhouse&m=g2`);
  await expect(page.locator('[data-check]').first()).toBeVisible();
  await makeDeep(page, '777');
  await page
    .getByRole('link', { name: /HC1|FC3/ })
    .or(page.getByText('FC3', { exact: true }))
    .first()
    .click();
  await page.waitForURL('**/column/**');
  await expect(page.locator('[data-check]').first()).toBeVisible();
  await page.goto(`${address}/report/?p=alderlight-playhouse`);
  await expect(page.getByRole('button', { name: 'Report as PDF' })).toBeEnabled({ timeout: 60_000 });
});
