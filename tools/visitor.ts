import { execFileSync } from 'node:child_process';
import { STATIONS } from '@careful-latch/core/case';
import { judged, shownText, type ChangeBody, type Decision, type Inspection } from '@careful-latch/core/record';
import type { Office } from '../e2e/server';
import { DEMO_PASSWORD } from '../server/demo/password';
import { sha256 } from '../server/ledger/line';

/** Somebody who is signed in: what every request of theirs carries. */
export interface Session {
  readonly headers: Readonly<Record<string, string>>;
  readonly name: string;
  readonly id: string;
}

export async function signIn(
  address: string,
  login: string,
  password = DEMO_PASSWORD,
  more: Readonly<Record<string, string>> = {},
): Promise<Session> {
  const response = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...more },
    body: JSON.stringify({ login, password }),
  });
  if (response.status !== 200) throw new Error(`${login} is not let in: ${response.status} ${await response.text()}`);
  const { csrfToken, account } = (await response.json()) as {
    csrfToken: string;
    account: { id: string; name: string };
  };
  const cookie = response.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
  const headers = { cookie, 'x-csrf-token': csrfToken, 'x-account': account.id, 'content-type': 'application/json' };
  return { headers, name: account.name, id: account.id };
}

/** “Corrections required” on a house as somebody has seen it, but for what is otherwise. */
export const correctionsOn = (seen: Inspection, name: string, over: Partial<Decision> = {}): ChangeBody => ({
  type: 'decide',
  inspection: seen.id,
  base: seen.revision,
  shown: sha256(shownText(seen, judged(seen))),
  decision: {
    kind: 'corrections-required',
    conditions: [],
    dueOn: '2026-12-09',
    order: null,
    scope: [...STATIONS],
    leftOut: '',
    handover: '',
    signature: { name, path: '' },
    ...over,
  },
});

/** Memory that a server's process holds, MB. */
export const rssMb = ({ pid }: Office): number =>
  Number(execFileSync('ps', ['-o', 'rss=', '-p', String(pid)], { encoding: 'utf8' })) / 1024;

/** What was found out, line by line. */
export class Findings {
  failures = 0;
  say(what: string, right: boolean, found: string): void {
    if (!right) this.failures++;
    console.log(`${right ? 'holds' : 'FAILS'}  ${what}: ${found}`);
  }
}
