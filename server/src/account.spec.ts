import { execFile } from 'node:child_process';
import { chmod, mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';

const project = fileURLToPath(new URL('../../', import.meta.url));
const run = promisify(execFile);
const isRoot = process.getuid?.() === 0;

/** Runs lines of shell with what the start command is made of. */
const shell = async (lines: string) =>
  (await run('bash', ['-euc', `. scripts/common.sh; ${lines}`], { cwd: project })).stdout.trim();

/** What of a built copy is served. */
const SERVED = [
  'package.json',
  'node_modules/fastify/package.json',
  'core/package.json',
  'core/dist/index.js',
  'server/package.json',
  'server/dist/main.js',
  'web/dist/index.html',
  'web/package.json',
];

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
    // As the start command does it: beside its database. A small copy stands for this one, which is being built.
    const beside = await shell('cluster_home account');
    const copy = join(beside, 'copy');
    const inCopy = (lines: string) => shell(`cd ${copy}; ${lines}`);
    const seesServer = `(as_server node -p 'require("fs").statSync("server/dist/main.js").isFile()')`;
    try {
      for (const file of SERVED) {
        await mkdir(join(copy, dirname(file)), { recursive: true });
        await writeFile(join(copy, file), '');
      }
      const folder = await inCopy(`served_folder ${beside}`);
      expect(folder).toBe(copy);
      expect(await shell(`cd "${folder}"; ${seesServer}`)).toBe('true');
      // A copy that only root can enter: the built application is laid where the other account can.
      await chmod(copy, 0o700);
      const laid = await inCopy(`served_folder ${beside}`);
      expect(laid).toBe(isRoot ? `${beside}/application` : folder);
      expect(await shell(`cd "${laid}"; ${seesServer}`)).toBe('true');
      expect(await run('ls', ['web/dist'], { cwd: laid })).toEqual({ stdout: 'index.html\n', stderr: '' });
    } finally {
      await rm(beside, { recursive: true, force: true });
    }
  });

  it('is that by which the start command starts it', async () => {
    expect(await readFile(join(project, 'demo'), 'utf8')).toMatch(/as_server node server\/dist\/main\.js/);
  });
});
