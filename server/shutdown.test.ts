import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { builtServer, openOffice } from './test/office';

/** Collects what comes until the other side closes. */
async function everything(socket: ReturnType<typeof connect>): Promise<string> {
  let text = '';
  socket.on('data', (chunk: Buffer) => (text += chunk.toString()));
  await once(socket, 'close');
  return text;
}

/** A built server on a database of its own, with its files in a folder of its own. */
async function running(port: number) {
  const office = await openOffice({ demo: false });
  const folder = await mkdtemp(join(tmpdir(), 'careful-latch-'));
  const [command, args] = await builtServer();
  const server = spawn(command, args, {
    cwd: join(__dirname, '..'),
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: {
      ...process.env,
      PORT: String(port),
      DATABASE_URL: office.url,
      SESSION_SECRET: 'test',
      LOG_LEVEL: 'silent',
      SEAL_KEYS: join(folder, 'keys.json'),
      ANCHOR_FOLDER: join(folder, 'anchors'),
      EVIDENCE_FOLDER: join(folder, 'photos'),
    },
  });
  await once(server, 'message');
  const close = async () => {
    await office.close();
    await rm(folder, { recursive: true });
  };
  return { server, close };
}
const PORT = 20_000 + (process.pid % 20_000);

test('an upload that hangs does not hold up the end', async () => {
  const { server, close } = await running(PORT + 1);
  const hanging = connect(PORT + 1, '127.0.0.1');
  hanging.on('error', () => undefined); // it is cut off
  const cut = everything(hanging);
  hanging.write(
    'POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: 50\r\n\r\n{',
  );
  await new Promise((resolve) => setTimeout(resolve, 200));
  const ended = once(server, 'exit');
  server.kill('SIGTERM');
  expect(await ended).toEqual([0, null]);
  await cut;
  await close();
}, 60_000);

test('asked to end, the server finishes the request that is running, takes no new one, and ends well', async () => {
  const port = PORT;
  const { server, close } = await running(port);

  const body = '{"login":"nobody","password":"nothing"}';
  const socket = connect(port, '127.0.0.1');
  const answer = everything(socket);
  socket.write(
    `POST /api/session HTTP/1.1\r\nHost: x\r\nConnection: close\r\nContent-Type: application/json\r\nContent-Length: ${body.length}\r\n\r\n${body.slice(0, 10)}`,
  );
  await new Promise((resolve) => setTimeout(resolve, 200));
  const ended = once(server, 'exit');
  server.kill('SIGTERM');
  await new Promise((resolve) => setTimeout(resolve, 200));
  await expect(once(connect(port, '127.0.0.1'), 'connect')).rejects.toMatchObject({ code: 'ECONNREFUSED' });
  socket.write(body.slice(10));

  expect(await answer).toMatch(/^HTTP\/1\.1 401 [^]*application\/problem\+json/); // refused, but answered
  expect(await ended).toEqual([0, null]);
  await close();
});
