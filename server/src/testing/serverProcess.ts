import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** A server in a process of its own, which can be killed. */
export class ServerProcess {
  private constructor(
    readonly url: string,
    private readonly process: ChildProcess,
    private readonly ownUploads: string | undefined,
  ) {}

  /** @param uploads folder for uploads; one of its own where nothing is said */
  static async start(databaseUrl: string, uploads?: string): Promise<ServerProcess> {
    const probe = createServer().listen(0, '127.0.0.1');
    await once(probe, 'listening');
    const { port } = probe.address() as AddressInfo;
    probe.close();
    const own = uploads === undefined ? await mkdtemp(join(tmpdir(), 'which-bore-test-')) : undefined;
    const server = spawn(process.execPath, [fileURLToPath(new URL('../main.js', import.meta.url))], {
      env: {
        ...process.env,
        DATABASE_URL: databaseUrl,
        PORT: String(port),
        LOG_LEVEL: 'error',
        UPLOADS: uploads ?? own,
      },
      stdio: 'inherit',
    });
    const url = `http://127.0.0.1:${port}`;
    // However long a busy machine takes: the time of the spec ends it, or the end of the process.
    while (server.exitCode === null && server.signalCode === null) {
      if ((await fetch(`${url}/api/health`).catch(() => undefined))?.ok) return new ServerProcess(url, server, own);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    throw new Error('The server ended as it came up.');
  }

  /** Kills it as it stands. */
  async kill(): Promise<void> {
    const ended = this.process.exitCode === null && this.process.signalCode === null;
    this.process.kill('SIGKILL');
    if (ended) await once(this.process, 'exit');
    if (this.ownUploads !== undefined) await rm(this.ownUploads, { recursive: true, force: true });
  }
}
