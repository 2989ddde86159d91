import { spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';

const start = (env: Record<string, string>, ...args: string[]) =>
  spawnSync(process.execPath, [join(__dirname, 'start.mjs'), ...args], {
    encoding: 'utf8',
    env: { ...process.env, ...env },
    timeout: 20_000,
  });

test.each<[string, Record<string, string>, string[], string]>([
  ['a port that is none', { PORT: 'high' }, [], 'PORT is high; right would be a number from 1 to 65535.'],
  ['an unknown flag', {}, ['--full'], '--full is not known. Right would be npm start, or npm start -- --empty.'],
])('%s gets a sentence', (_, env, args, words) => {
  const { status, stderr } = start(env, ...args);
  expect(status).toBe(1);
  expect(stderr.trim()).toBe(words);
});

test('a taken port gets a sentence that says what to do', async () => {
  const holder = createServer().listen(0, '127.0.0.1');
  await once(holder, 'listening');
  const { port } = holder.address() as AddressInfo;
  const { status, stderr } = start({ PORT: String(port) });
  holder.close();
  expect(status).toBe(1);
  expect(stderr.trim()).toBe(`Port ${port} is taken by another program. Choose another: PORT=${port + 10} npm start`);
});
