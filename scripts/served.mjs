// The last build, served on this machine alone for a script that opens it in a browser.
import { spawn } from 'node:child_process';

const wait = (ms) => new Promise((done) => setTimeout(done, ms));

/** Serves the build in a directory and waits until it answers. Returns its address and the way to end it. */
export async function serve(port, cwd = process.cwd()) {
  const server = spawn('npx', ['next', 'start', '-H', '127.0.0.1', '-p', String(port)], { stdio: 'ignore', detached: true, cwd });
  const address = `http://127.0.0.1:${port}`;
  const end = () => process.kill(-server.pid);
  for (let i = 0; i < 100; i += 1) {
    try {
      await fetch(address);
      return { address, end };
    } catch {
      await wait(200);
    }
  }
  end();
  throw new Error('the server did not start: npm run build first');
}
