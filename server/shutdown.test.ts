import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { connect } from 'node:net';
import { join } from 'node:path';
import { builtServer, openOffice } from './test/office';

/** Collects what comes until the other side closes. */
async function everything(socket: ReturnType<typeof connect>): Promise<string> {
  let text = '';
  socket.on('data', (chunk: Buffer) => (text += chunk.toString()));
  await once(socket, 'close');
  return text;
}

test('asked to end, the server finishes the request that is running, takes no new one, and ends well', async () => {
  const office = await openOffice({ demo: false });
  const port = 20_000 + (process.pid % 20_000);
  const [command, args] = await builtServer();
  const server = spawn(command, args, {
    cwd: join(__dirname, '..'),
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: { ...process.env, PORT: String(port), DATABASE_URL: office.url, SESSION_SECRET: 'test', LOG_LEVEL: 'silent' },
  });
  await once(server, 'message');

  const body = '{"login":"nobody","password":"nothing"}';
  const running = connect(port, '127.0.0.1');
  const answer = everything(running);
  running.write(
    `POST /api/session HTTP/1.1\r\nHost: x\r\nConnection: close\r\nContent-Type: application/json\r\nContent-Length: ${body.length}\r\n\r\n${body.slice(0, 10)}`,
  );
  await new Promise((resolve) => setTimeout(resolve, 200));
  const ended = once(server, 'exit');
  server.kill('SIGTERM');
  await new Promise((resolve) => setTimeout(resolve, 200));
  await expect(once(connect(port, '127.0.0.1'), 'connect')).rejects.toMatchObject({ code: 'ECONNREFUSED' });
  running.write(body.slice(10));

  expect(await answer).toMatch(/^HTTP\/1\.1 401 [^]*application\/problem\+json/); // refused, but answered
  expect(await ended).toEqual([0, null]);
  await office.close();
});
