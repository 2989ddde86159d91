import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runningCluster, startCluster } from './database.mjs';

const answers = (port: number) =>
  new Promise<boolean>((resolve) => {
    const socket = connect(port, '127.0.0.1', () => resolve(true)).on('error', () => resolve(false));
    socket.on('connect', () => socket.destroy());
  });

const until = async (wanted: () => Promise<boolean>) => {
  while (!(await wanted())) await new Promise((resolve) => setTimeout(resolve, 50));
};

test('a database that was killed is started again on the same port, and stays away once it was stopped', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'cluster-'));
  const said: string[] = [];
  const cluster = await startCluster({ folder, say: (text) => said.push(text), forTests: true, keepRunning: true });
  try {
    const port = Number(new URL(cluster.url).port);
    const pid = () => Number(readFileSync(join(folder, 'data', 'postmaster.pid'), 'utf8').split('\n')[0]);
    expect(runningCluster(folder)).toBe(cluster.url);
    const before = pid();
    process.kill(before, 'SIGKILL');
    await until(async () => said.includes('the database ended by itself; starting it again'));
    await until(() => answers(port));
    expect(pid()).not.toBe(before);
    await cluster.stop();
    expect(await answers(port)).toBe(false);
    expect(runningCluster(folder)).toBeUndefined();
  } finally {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
    rmSync(`${folder}.log`, { force: true });
  }
}, 60_000);
