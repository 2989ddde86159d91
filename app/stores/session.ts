import { create } from 'zustand';
import { catchUp, judgeUnder, leaveStore, openStore } from './inspections';
import { office, type SessionState } from './office';
import { writeInZone } from '../theme/dates';

type Account = NonNullable<SessionState['account']>;
type Office = NonNullable<SessionState['office']>;

interface Session {
  readonly known: 'asking' | 'signed-in' | 'signed-out' | 'unreachable' | 'no-storage';
  readonly account: Account | null;
  readonly office: Office | null;
  readonly passwordAt: number | null;
  readonly demo: SessionState['demo'];
  readonly needsSetup: boolean;
}

export const useSession = create<Session>(() => ({
  known: 'asking',
  account: null,
  office: null,
  passwordAt: null,
  demo: [],
  needsSetup: false,
}));
const { setState: set } = useSession;

/** Who signed in on this device last, so that it opens without the office. */
const REMEMBERED = 'careful-latch-account';

function remembered(): Pick<Session, 'account' | 'office'> | undefined {
  try {
    return JSON.parse(localStorage.getItem(REMEMBERED) ?? '') as Pick<Session, 'account' | 'office'>;
  } catch {
    return undefined;
  }
}

async function enter(account: Account, at: Office | null): Promise<void> {
  if (useSession.getState().account?.id === account.id) void catchUp();
  else await openStore(account.id, account, remembered()?.account?.role !== account.role);
  judgeUnder(at?.rules);
  localStorage.setItem(REMEMBERED, JSON.stringify({ account, office: at }));
  writeInZone(at?.zone);
  set({ known: 'signed-in', account, office: at, demo: [], needsSetup: false });
}

const leave = (state: SessionState) =>
  set({ known: 'signed-out', account: null, office: null, demo: state.demo, needsSetup: state.needsSetup });

/** Gives the password again: it was given long ago, and something is signed now. Throws an Error with a sentence. */
export async function passwordAgain(password: string): Promise<void> {
  await office.passwordAgain(password);
  set({ passwordAt: Date.now() });
}

/** Opens with whoever was signed in on this device, then asks the office. */
export async function resume(): Promise<void> {
  const last = remembered();
  if (last?.account && !(await entered(last.account, last.office))) return;
  let state: SessionState;
  try {
    state = await office.session();
  } catch {
    // Whatever the office answers, what the device has can be worked on.
    if (!last?.account) set({ known: 'unreachable' });
    return;
  }
  if (state.account) {
    await entered(state.account, state.office);
    set({ passwordAt: state.passwordAt });
  } else if (!last?.account) leave(state);
  // Remembered here but not signed in at the office any more: the walk goes on, and the save line asks to sign in.
}

/** Enters, or says that this browser cannot keep anything: a private window, or storage that is full or blocked. */
async function entered(account: Account, at: Office | null): Promise<boolean> {
  try {
    await enter(account, at);
    return true;
  } catch {
    set({ known: 'no-storage' });
    return false;
  }
}

/** Asks which demo accounts there are, for whoever must sign in again. */
export async function askDemo(): Promise<void> {
  try {
    const { demo } = await office.session();
    set({ demo });
  } catch {
    // The office cannot be reached: the form stands there all the same.
  }
}

/** Signs in; throws an Error with a sentence. */
export async function signIn(login: string, password: string): Promise<void> {
  const state = await office.signIn(login, password);
  if (state.account) await enter(state.account, state.office);
  set({ passwordAt: state.passwordAt });
}

/** Signs out. What waits to be sent stays on the device under this account; what the office has goes. */
export async function signOut(): Promise<void> {
  localStorage.removeItem(REMEMBERED);
  await leaveStore();
  try {
    leave(await office.signOut());
  } catch {
    set({ known: 'unreachable', account: null, office: null });
  }
}

/** Makes the first account of a fresh installation and signs in with it. */
export async function setUp(wanted: {
  office: string;
  edition: string;
  name: string;
  login: string;
  password: string;
  zone?: string;
}): Promise<void> {
  await office.setUp(wanted);
  await signIn(wanted.login, wanted.password);
}

/** Makes the account that a link is for, or gives one’s own a new password, and signs in with it. */
export async function join(wanted: { token: string; name?: string; login?: string; password: string }): Promise<void> {
  const { login } = await office.join(wanted);
  await signIn(login, wanted.password);
}
