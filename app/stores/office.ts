import type { Change, DecisionKind, Docket, Inspection, Kept, Role } from '@careful-latch/core/record';
import type { Edition } from '@careful-latch/core/codebook';
import type { Case } from '@careful-latch/core/case';
import type { Evaluation } from '@careful-latch/core/verdict';
import type { Evidence, Header, Rules, Signed, Summary } from '@careful-latch/core/record';
import type { SaidInStorm, Storm, StormEntry } from '@careful-latch/core/storm';

/** The office could not be asked at all: no signal, or its server is down. */
export class Unreachable extends Error {}

/** The office answered no, with a sentence. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

/** The office is another copy of itself than this device has heard of: it was brought back from a backup. Nothing was asked of it, nor taken. */
export class OtherEpoch extends Unreachable {
  constructor(readonly epoch: string) {
    super('The office was brought back from a backup. What this device has sent is sent again first.');
  }
}

export interface SessionState {
  readonly csrfToken: string | null;
  /** Whoever asks was switched off; what they still send is kept for the lead. */
  readonly switchedOff: boolean;
  readonly account: {
    readonly id: string;
    readonly login: string;
    readonly name: string;
    readonly role: Role;
  } | null;
  readonly office: {
    readonly id: string;
    readonly name: string;
    readonly edition: Edition;
    /** What it has adopted last; null where it has adopted nothing of its own. */
    readonly rules: Rules | null;
    /** So many hours after it was signed without signal, a decision is still sealed. */
    readonly offlineHours: number;
    /** Who may be sent to a house, by name; told to those of the office. */
    readonly inspectors?: readonly string[];
    /** Its time zone; a device that remembers its office from before knows none. */
    readonly zone?: string;
    /** The name of the firm that whoever is signed in is of. */
    readonly firm: string | null;
  } | null;
  /** When the password was given last, ms since 1970. */
  readonly passwordAt: number | null;
  readonly demo: readonly {
    readonly login: string;
    readonly name: string;
    readonly role: Role;
    readonly password: string;
  }[];
  readonly needsSetup: boolean;
}

export interface SignedRecord {
  readonly id: string;
  readonly seal: string;
  readonly sealHolds: boolean;
  /** By which its papers are called; null until it stands in the ledger. */
  readonly number: string | null;
  /** Its line of the office’s ledger, as JWS; null until it has one. */
  readonly line: string | null;
  readonly record: {
    readonly header: Header;
    readonly case: Case;
    readonly evaluation: Evaluation;
    readonly evidence?: readonly Evidence[];
    readonly docket?: Docket;
    readonly rules?: Rules;
    readonly receivedAt?: string;
    readonly offline?: boolean;
    readonly decision: Signed;
    readonly signedBy: { readonly name: string };
    readonly office: { readonly name: string };
  };
}

export interface Changed {
  readonly inspections: readonly Inspection[];
  /** Inspections that rest: a device need not have them at hand. */
  readonly gone: readonly string[];
  readonly cursor: number;
  readonly more: boolean;
  /** The office is an older copy of itself: everything is asked for again. */
  readonly restored: boolean;
}

/** A line of the office’s list. */
export interface Listed extends Pick<Header, 'address' | 'owner' | 'permit'>, Partial<Pick<Summary, 'violated'>> {
  readonly id: string;
  readonly state: Summary['state'] | null;
  readonly dueOn: string | null;
  readonly dueWhat: Summary['dueWhat'];
  readonly inspector: string | null;
  readonly changedAt: string;
}

export interface ListQuery {
  readonly words: string;
  readonly sort: string;
  /** States, with commas between. */
  readonly state: string;
  readonly dueBefore?: string;
  readonly rule?: string;
  readonly inspector?: string;
  /** Where the page before ended. */
  readonly after?: string;
}

/** One version of what an office has adopted. */
export interface Version extends Rules {
  readonly reason: string;
  readonly by: string;
  readonly at: string;
}

/** A decision that was signed without signal, and waits unsealed. */
export interface HeldDecision {
  readonly id: string;
  readonly inspection: string;
  readonly address: string;
  readonly by: string;
  readonly decision: DecisionKind | null;
  readonly why: string;
  readonly signedAt: string;
}

/** What somebody sent of a house after they were switched off. */
export interface HeldEntries {
  readonly inspection: string;
  readonly by: string;
  readonly name: string;
  readonly address: string;
  readonly entries: number;
  readonly from: string;
  readonly to: string;
  readonly facts: readonly { readonly path: string; readonly value: string | number | null }[];
}

/** Somebody of the office or of a firm, as its lead sees them. */
export interface Colleague {
  readonly id: string;
  readonly login: string;
  readonly name: string;
  readonly role: Role;
  readonly active: boolean;
  readonly firm: string | null;
}

/** A mail of the office: that it was made, and whether it went. */
export interface OutboxLine {
  readonly id: string;
  readonly to: string;
  readonly subject: string;
  readonly madeAt: string;
  readonly writtenAt: string | null;
}

/** An invitation that nobody has used yet. */
export interface Invite {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly expiresAt: string;
  readonly firm: string | null;
}

/** The secret of a link that can be used once. */
export interface Link {
  readonly token: string;
  readonly expiresAt: string;
}

/** What the permit office has of a permit. */
export interface FoundPermit {
  readonly number: string;
  readonly address: string;
  readonly owner: string;
  readonly contractor: string;
  readonly license: string;
  readonly until: string | null;
  readonly status: string;
}

/** What the permit office was told, or waits to be. */
export interface PermitPost {
  readonly id: string;
  readonly inspection: string;
  readonly address: string;
  readonly permit: string;
  readonly decision: string;
  readonly madeAt: string;
  readonly state: 'waiting' | 'delivered' | 'refused';
  readonly tries: number;
  readonly trouble: string | null;
  readonly answer: string | null;
}

/** What is kept how long, and what is over its time. */
export interface Keeping {
  readonly years: Readonly<Record<Kept, number | null>>;
  readonly due: readonly {
    readonly inspection: string;
    readonly address: string;
    readonly kind: Kept;
    readonly n: number;
    readonly since: string;
    readonly held: boolean;
  }[];
}

export interface Note {
  readonly id: string;
  readonly words: string;
  readonly by: string;
  readonly at: string;
}

/** Who of outside the office is party to a house, who has a link to be, and who could be. */
export interface Parties {
  readonly parties: readonly { account: string; name: string; since: string; until: string | null }[];
  readonly asked: readonly { name: string; expiresAt: string }[];
  readonly contractors: readonly { account: string; name: string; firm: string | null }[];
}

export type Counted = readonly { readonly of: string; readonly n: number }[];
type Passed = readonly { readonly of: string; readonly n: number; readonly passed: number }[];
/** What the office did in a month, in counts. */
export interface Month {
  readonly month: string;
  /** Fewer than so many are not shown. */
  readonly fewest: number;
  readonly decisions: Counted;
  readonly visits: Counted;
  readonly firstByTransfer: Passed;
  readonly firstByFirm: Passed;
  readonly taken: { readonly n: number; readonly hazards: number };
  readonly corrected: { readonly n: number; readonly median: number | null };
  readonly byRule: Counted;
  readonly withdrawn: Counted;
  readonly notTakenUp: Counted;
  readonly leftOut: Counted;
  readonly papers: Counted;
  readonly appeals: Counted;
}

export type ChangeResult =
  | {
      readonly id: string;
      readonly status: 'taken' | 'taken-before';
      readonly revision: number;
      readonly seal?: string;
      /** The office has dated it by its own clock: that of this device is wrong, or it said a time at which this cannot have been. */
      readonly dated?: 'clock' | 'bounds';
    }
  /** Held is a decision that was signed without signal and is kept for the lead, unsealed. */
  | { readonly id: string | null; readonly status: 'refused' | 'held'; readonly detail: string };

/** What the clock of this device says, by which the office sees whether it is right. */
const deviceNow = () => new Date().toISOString();

const PATIENCE_MS = 15_000;
let token: string | null = null;
/** Whose device this page is: two tabs share a session, and the other may have been signed in anew. */
let account: string | undefined;

/** From now on everything is asked in somebody’s name. */
export function askAs(id: string | undefined): void {
  account = id;
}

/** Which copy of the office this device has heard of; undefined before it has heard of any. */
let epoch: string | undefined;
export const epochHeard = (): string | undefined => epoch;
export function hear(of: string | undefined): void {
  epoch = of;
}

/** Learns which copy of itself answers. Throws `OtherEpoch` where it is not the one that this device knows. */
function heed(answered: string | null): void {
  if (answered === null) return;
  if (epoch !== undefined && answered !== epoch) throw new OtherEpoch(answered);
  epoch = answered;
}

async function ask<T>(method: string, path: string, body?: object, more?: Record<string, string>): Promise<T> {
  let response: Response;
  const bytes = body instanceof Blob;
  const type = bytes ? 'application/octet-stream' : 'application/json';
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: {
        ...(body ? { 'content-type': type } : {}),
        ...(token && { 'x-csrf-token': token }),
        ...(account !== undefined && path !== '/session' && { 'x-account': account }),
        ...(epoch !== undefined && path !== '/session' && { 'x-epoch': epoch }),
        ...more,
      },
      body: bytes ? body : body && JSON.stringify(body),
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
  } catch {
    throw new Unreachable('The office cannot be reached.');
  }
  const isJson = /json/.test(response.headers.get('content-type') ?? '');
  // Whatever fails at the office, the walk goes on here: it is asked again later.
  if (response.status >= 500 || !isJson) throw new Unreachable('The office does not answer as it should.');
  const answer = (await response.json()) as T & { detail?: string };
  if (account !== undefined && path !== '/session') heed(response.headers.get('x-epoch'));
  if (!response.ok) throw new Refused(response.status, answer.detail ?? 'The office refused.');
  return answer;
}

async function session(method: string, body?: object): Promise<SessionState> {
  const state = await ask<SessionState>(method, '/session', body);
  token = state.csrfToken;
  return state;
}

/** A change that carries the session's token, where there is a session; where it is out of date, a new one is fetched once. */
async function change<T>(method: string, path: string, body?: object, more?: Record<string, string>): Promise<T> {
  try {
    return await ask<T>(method, path, body, more);
  } catch (error) {
    if (!(error instanceof Refused) || error.status !== 403) throw error; // no token yet, or an old one
    await session('GET');
    return ask<T>(method, path, body, more);
  }
}

const photoPath = (inspection: string, sha256: string) => `/inspections/${inspection}/photos/${sha256}`;
/** Where the office gives a photo. */
export const photoAddress = (inspection: string, sha256: string) => `/api${photoPath(inspection, sha256)}`;

/** What can be asked of the office. Each throws `Unreachable` or `Refused`, whose message is a sentence. */
export const office = {
  session: () => session('GET'),
  async signIn(login: string, password: string): Promise<SessionState> {
    const state = await change<SessionState>('POST', '/session', { login, password });
    token = state.csrfToken;
    return state;
  },
  async signOut(): Promise<SessionState> {
    const state = await change<SessionState>('DELETE', '/session');
    token = state.csrfToken;
    return state;
  },
  setUp: (wanted: object) => change<{ login: string }>('POST', '/setup', wanted),
  /** What was changed since the office's count was `cursor`, in portions. */
  changedSince: (cursor: number) => ask<Changed>('GET', `/inspections?since=${cursor}`),
  list: (query: ListQuery) =>
    ask<{ inspections: Listed[]; next: string | null }>(
      'GET',
      `/inspections/list?${new URLSearchParams({ ...query })}`,
    ),
  inspection: (id: string) => ask<Inspection>('GET', `/inspections/${id}`),
  /** The signed records, and the public keys that they were sealed with. */
  records: (id: string) =>
    ask<{ records: SignedRecord[]; keys: object[]; statement: string }>('GET', `/inspections/${id}/records`),
  /** Sends a piece of a photo; says how much of it the office has. */
  piece: (inspection: string, sha256: string, at: number, piece: Blob) =>
    change<{ held: number; whole: boolean }>('PUT', `${photoPath(inspection, sha256)}?at=${at}`, piece),
  rules: () => ask<{ versions: Version[] }>('GET', '/rules'),
  adopt: (wanted: { profile: Rules['profile']; reason: string; after: number; openToo: boolean }) =>
    change<{ version: number; moved: number }>('POST', '/rules', wanted),
  held: () => ask<{ held: HeldDecision[]; entries: HeldEntries[] }>('GET', '/held'),
  settleEntries: (wanted: { inspection: string; by: string; take: boolean; words?: string }) =>
    change<{ taken: number; refused: string[] }>('POST', '/held', wanted),
  leaveUnsealed: (id: string, words: string) => change<object>('POST', `/held/${id}`, { words }),
  passwordAgain: (password: string) => change<object>('POST', '/session/password', { password }),
  changeOffice: (wanted: { offlineHours: number } | { zone: string }) => change<object>('PATCH', '/office', wanted),
  people: () => ask<{ people: Colleague[]; invites: Invite[] }>('GET', '/people'),
  invite: (wanted: { name: string; role: Role; firm: string; email: string }) =>
    change<Link>('POST', '/invites', wanted),
  takeBack: (invite: string) => change<object>('DELETE', `/invites/${invite}`),
  changePerson: (id: string, wanted: { role?: Role; active?: boolean; firm?: string }) =>
    change<object>('PATCH', `/people/${id}`, wanted),
  resetPassword: (id: string) => change<Link>('POST', `/people/${id}/reset`),
  join: (wanted: object) => change<{ login: string }>('POST', '/join', wanted),
  changePassword: (password: string, next: string) => change<object>('POST', '/password', { password, next }),
  /** Where one is signed in, and one's own mail address. */
  sessions: () => ask<{ email: string | null; sessions: { signedInAt: string; here: boolean }[] }>('GET', '/sessions'),
  changeOwn: (wanted: { email: string | null; password: string }) => change<object>('PATCH', '/account', wanted),
  forgotten: (login: string) => change<object>('POST', '/forgotten', { login }),
  feed: () => change<{ path: string }>('POST', '/feed'),
  dropFeed: () => change<object>('DELETE', '/feed'),
  month: (month: string) => ask<Month>('GET', `/month?month=${month}`),
  permits: (by: { number: string } | { address: string }) =>
    ask<{ permits: FoundPermit[] }>('GET', `/permits?${new URLSearchParams(by)}`),
  permitPosts: () => ask<{ connected: boolean; posts: PermitPost[] }>('GET', '/permits/posts'),
  postAgain: (id: string) => change<object>('POST', `/permits/posts/${id}`),
  notes: (inspection: string) => ask<{ notes: Note[] }>('GET', `/inspections/${inspection}/notes`),
  note: (inspection: string, words: string) => change<object>('POST', `/inspections/${inspection}/notes`, { words }),
  parties: (inspection: string) => ask<Parties>('GET', `/inspections/${inspection}/parties`),
  giveHouse: (inspection: string, to: { account: string } | { name: string }) =>
    change<Partial<Link>>('POST', `/inspections/${inspection}/parties`, to),
  endParty: (inspection: string, account: string) =>
    change<object>('DELETE', `/inspections/${inspection}/parties/${account}`),
  keeping: () => ask<Keeping>('GET', '/keeping'),
  keepFor: (years: Keeping['years']) => change<object>('PATCH', '/keeping', years),
  destroy: (wanted: { inspection: string; kind: Kept; reason: string }) =>
    change<object>('POST', '/keeping/destroy', wanted),
  looked: (inspection: string) => ask<object>('GET', `/inspections/${inspection}/looked`),
  storms: () => ask<{ storms: Storm[] }>('GET', '/storms'),
  openStorm: (storm: Storm) => change<object>('POST', '/storms', storm),
  stormSaid: (id: string, since: number) =>
    ask<{ entries: SaidInStorm[]; cursor: number }>('GET', `/storms/${id}?since=${since}`),
  saidInStorm: async (id: string, entries: readonly StormEntry[]) =>
    (await change<{ results: { id: string; status: 'taken' | 'refused'; detail?: string }[] }>('POST', `/storms/${id}/entries`, { entries, now: deviceNow() })).results, // prettier-ignore
  mails: () => ask<{ mails: OutboxLine[] }>('GET', '/mails'),
  endOtherSessions: () => change<object>('DELETE', '/sessions'),
  /** Sends changes; again, those that were taken before the office was brought back from a backup. */
  take: async (changes: readonly Change[], again = false) =>
    (
      await change<{ results: ChangeResult[] }>(
        'POST',
        '/changes',
        { changes, now: deviceNow() },
        again ? { 'x-again': '1' } : {},
      )
    ).results,
};
