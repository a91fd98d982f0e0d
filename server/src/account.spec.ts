import { execFile } from 'node:child_process';
import { readFile, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';

const project = fileURLToPath(new URL('../../', import.meta.url));
const run = promisify(execFile);
const isRoot = process.getuid?.() === 0;

/** Runs lines of shell with what the start command is made of. */
const shell = async (lines: string) =>
  (await run('bash', ['-euc', `. scripts/common.sh; ${lines}`], { cwd: project })).stdout.trim();

// Common practice, no source: a service that needs no privileges runs without them.
describe('the account that the server runs as', () => {
  it('is an ordinary one, from which there is no way back, however it was started', async () => {
    const ids = await shell(
      `(as_server node -p 'JSON.stringify([process.getuid(), process.getgid(), process.getgroups().includes(0)])')`,
    );
    const [user, group, inRootGroup] = JSON.parse(ids) as [number, number, boolean];
    expect([user, group]).not.toContain(0);
    expect(inRootGroup).toBeFalse();
    expect(await shell(`(as_server sh -c 'grep NoNewPrivs /proc/self/status')`)).toBe(`NoNewPrivs:\t${isRoot ? 1 : 0}`);
  });

  it('can read what it serves, wherever this copy lies', async () => {
    // As the start command does it: beside its database.
    const beside = await shell('cluster_home account');
    try {
      const folder = await shell(`served_folder ${beside}`);
      expect(
        await shell(`cd "${folder}"; (as_server node -p 'require("fs").statSync("server/dist/main.js").isFile()')`),
      ).toBe('true');
      // A copy that only root can enter: the built application is laid where the other account can.
      const laid = await shell(
        `can_serve() { case "$1" in ${beside}/*) [ -r "$1/node_modules/fastify/package.json" ];; *) return 1;; esac; }; served_folder ${beside}`,
      );
      expect(laid).toBe(isRoot ? `${beside}/application` : folder);
      expect(
        await shell(`cd "${laid}"; (as_server node -p 'require("fs").statSync("server/dist/main.js").isFile()')`),
      ).toBe('true');
    } finally {
      await rm(beside, { recursive: true, force: true });
    }
  });

  it('is that by which the start command starts it', async () => {
    expect(await readFile(join(project, 'demo'), 'utf8')).toMatch(/as_server node server\/dist\/main\.js/);
  });
});
