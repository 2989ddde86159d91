import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { hash } from '@node-rs/argon2';
import dayjs from 'dayjs';
import {
  readCase,
  STATIONS,
  factAt,
  lastingPath,
  recordedFacts,
  stationOf,
  withFact,
  type Case,
} from '@careful-latch/core/case';
import { readExample } from '@careful-latch/core/formats';
import {
  applyChange,
  foundIn,
  judged,
  shownText,
  touched,
  violationOf,
  type Change,
  type ChangeBody,
  type Found,
  type Inspection,
} from '@careful-latch/core/record';
import { takeInAll, type Received } from '../changes/apply';
import type { Connection } from '../database/client';
import { accounts, firms, offices, stormEntries, storms } from '../database/schema';
import type { EvidenceStore } from '../evidence/store';
import type { SealKeys } from '../ledger/keys';
import { bringUp } from '../ledger/ledger';
import { sha256 } from '../ledger/line';
import type { Account } from '../sessions/account';
import { DEMO_PASSWORD } from './password';
import { DEMO_PEOPLE } from './people';
import { DEMO_DAY, DEMO_PROPERTIES, DEMO_STORM, type DemoPhoto, type DemoProperty } from './properties';

const OFFICE = {
  id: '0dd0a7c4-1f5e-4b7a-9c00-0000000f0001',
  name: 'Windfall Township Building Office',
  edition: '2020',
} as const;
const FIRM = { id: '0dd0a7c4-1f5e-4b7a-9c00-0000000f0002', office: OFFICE.id, name: 'Tillane Electric' };

const exampleFile = (name: string): unknown =>
  JSON.parse(readFileSync(new URL(`../../examples/${name}.json`, import.meta.url), 'utf8'));

/** What a demo house is recorded as; undefined where nobody has been there yet. */
export function factsOf(property: DemoProperty): Case | undefined {
  if (!property.from) return undefined;
  const read = readExample(exampleFile(property.from), (base) => readCase(exampleFile(`bases/${base}`)));
  if (!read.ok) throw new Error(`examples/${property.from}.json: ${read.errors.join(' ')}`);
  return Object.entries(property.facts ?? {}).reduce(
    (c, [path, value]) => withFact(c, path, value ?? undefined),
    read.case,
  );
}

const PICTURE_PX = { widthPx: 960, heightPx: 720 };
/** A picture that stands for a photo. */
const pictureOf = (file: string): Buffer =>
  readFileSync(new URL(`../../server/demo/photos/${file}.jpg`, import.meta.url));

/** A change, and who makes it. */
interface Made {
  readonly by: Account;
  readonly change: Change;
}

/** What was found, cited: each as a violation of its own, or all of it as one, where it has one cause. */
function takenUp(inspection: string, now: Inspection, dueOn: string | undefined, oneCause: boolean): ChangeBody[] {
  const all = foundIn(judged(now));
  const [first, ...rest] = all;
  const violations: [Found, ...Found[]][] = oneCause && first ? [[first, ...rest]] : all.map((one) => [one]);
  return violations.map((one) => ({
    type: 'violation',
    inspection,
    violation: randomUUID(),
    dueOn: dueOn ?? null,
    ...violationOf(one),
  }));
}

/** Everything that happened at a demo house, in its order, as many days later as the demo is loaded. */
function storyOf(property: DemoProperty, people: readonly Account[], days: number): Made[] {
  const story: Made[] = [];
  let now: Inspection | undefined;
  /** The times of the demo are those of a clock five hours behind UTC. */
  const later = (text: string) => dayjs(text).add(days, 'day').add(5, 'hour');
  const dayOf = (text: string) => dayjs(text).add(days, 'day').format('YYYY-MM-DD');
  let time = later(property.opened);
  const person = (login: string) => people.find((one) => one.login === login)!;
  const inspector = person(property.by ?? DEMO_PEOPLE[0].login);
  const add = (by: Account, body: ChangeBody, at?: string, touches = 1) => {
    const next = time.add(20 * touches, 'second');
    time = at && later(at).isAfter(next) ? later(at) : next;
    const change = { ...body, id: randomUUID(), at: time.toISOString() } as Change;
    const applied = applyChange(now, change, by);
    if (!applied.ok) throw new Error(`demo, ${property.header.address}: ${applied.why}`);
    now = applied.inspection;
    story.push({ by, change });
  };
  const inspection = property.id;
  const opening: ChangeBody = { type: 'open', inspection, header: { ...property.header, edition: OFFICE.edition } };
  const opener = property.openedBy ? person(property.openedBy) : inspector;
  add(opener, opening, property.opened);
  if (opener !== inspector) add(opener, { type: 'request', inspection }); // the office is asked at once, and finds for itself
  const recorded = factsOf(property);
  if (recorded)
    for (const station of STATIONS) {
      const paths = recordedFacts(recorded).filter((path) => stationOf(path) === station);
      const facts = paths.map((path) => {
        return { path, value: factAt(recorded, path) as string | number, how: 'touched' as const };
      });
      if (facts.length > 0) add(inspector, { type: 'facts', inspection, facts }, undefined, facts.length);
    }
  const show = (by: Account, about: string, { file, text, marks }: DemoPhoto) => {
    const picture = pictureOf(file);
    const photo = { sha256: sha256(picture), bytes: picture.length, ...PICTURE_PX, marks };
    add(by, { type: 'evidence', inspection, evidence: randomUUID(), is: { about, text, photo } });
  };
  for (const one of property.photos ?? []) show(inspector, lastingPath(now!.case, one.about!), one);
  if (property.decision) {
    const { kind, at, conditions = [], order = null, handover = '', oneCause = false } = property.decision;
    const dueOn = property.decision.dueOn ? dayOf(property.decision.dueOn) : undefined;
    for (const one of takenUp(inspection, now!, dueOn, oneCause)) add(inspector, one);
    const decision = {
      kind,
      conditions: conditions.map((one) => ({ text: one.text, dueOn: dayOf(one.dueOn), id: randomUUID(), of: null })),
      dueOn: dueOn ?? null,
      order,
      scope: [...STATIONS],
      leftOut: '',
      handover,
      signature: { name: inspector.name, path: '' },
    };
    const shown = sha256(shownText(now!, judged(now!)));
    add(inspector, { type: 'decide', inspection, base: story.length, shown, decision }, at);
  }
  for (const [number, words] of Object.entries(property.claims ?? {})) {
    const violation = now!.docket.violations[Number(number) - 1]!.id;
    const shown = property.claimed?.[Number(number)];
    if (shown) show(person('maro'), violation, shown);
    add(person('maro'), { type: 'violation', inspection, violation, to: 'claimed', words });
  }
  const violationOfNumber = (n: number) => now!.docket.violations[n - 1]!.id;
  for (const one of property.follows ?? []) {
    if (one.type === 'permit')
      add(people[0]!, {
        type: 'permit',
        inspection,
        to: 'there',
        until: dayOf(one.until),
        words: 'The permit office: open.',
      });
    else if (one.type === 'installer')
      add(people[0]!, {
        type: 'installer',
        inspection,
        kind: 'contractor',
        name: one.name,
        license: one.license,
        words: '',
      });
    else {
      const { violation, filedBy, words } = one;
      add(people[0]!, { type: 'appeal', inspection, appeal: randomUUID(), to: 'filed', against: violationOfNumber(violation), filedBy, words }); // prettier-ignore
    }
  }
  if (property.visit) {
    const { day, inspector: who } = property.visit;
    const name = person(who).name;
    add(people[0]!, { type: 'visit', inspection, visit: randomUUID(), to: 'scheduled', words: '', day: dayOf(day), inspector: name }); // prettier-ignore
  }
  for (const [path, value] of Object.entries(property.later ?? {}))
    add(inspector, touched(inspection, path, value ?? null));
  return story;
}

/** A story cut where somebody else goes on. */
function inTurns(story: readonly Made[]): { by: Account; changes: Change[] }[] {
  const turns: { by: Account; changes: Change[] }[] = [];
  for (const { by, change } of story) {
    const last = turns.at(-1);
    if (last?.by === by) last.changes.push(change);
    else turns.push({ by, changes: [change] });
  }
  return turns;
}

/** What happened at a demo house reached the office as it happened. */
const AS_SIGNED: Received = { at: ({ at }) => Date.parse(at), passwordAt: Infinity };

/** Loads the demo scenario once, into a database without accounts; true if it did. All of it is invented. */
export async function loadDemo({ db, door }: Connection, keys: SealKeys, store: EvidenceStore): Promise<boolean> {
  const [anybody] = await db.select({ id: accounts.id }).from(accounts).limit(1);
  if (anybody) return false;
  const passwordHash = await hash(DEMO_PASSWORD);
  await db.insert(offices).values(OFFICE);
  await db.insert(firms).values(FIRM);
  const people: Account[] = DEMO_PEOPLE.map((one) => ({
    ...one,
    id: randomUUID(),
    office: OFFICE.id,
    firm: one.role === 'firm-lead' ? FIRM.id : null,
  }));
  await db.insert(accounts).values(people.map((one) => ({ ...one, passwordHash, demo: true })));
  await bringUp(door, keys); // its ledger begins with its key and its people
  const days = dayjs().startOf('day').diff(dayjs(DEMO_DAY), 'day');
  for (const property of DEMO_PROPERTIES)
    for (const { by, changes } of inTurns(storyOf(property, people, days)))
      for (const result of await takeInAll(door, keys, by, changes, AS_SIGNED))
        if (result.status === 'refused') throw new Error(`demo, ${property.header.address}: ${result.detail}`);
  for (const { photos = [], claimed = {} } of DEMO_PROPERTIES)
    for (const { file } of [...photos, ...Object.values(claimed)]) {
      const picture = pictureOf(file);
      await store.write(OFFICE.id, { sha256: sha256(picture), bytes: picture.length }, 0, picture);
    }
  const day = dayjs(DEMO_STORM.day).add(days, 'day').format('YYYY-MM-DD');
  const { id: storm, name } = DEMO_STORM;
  const by = (login: string) => people.find((one) => one.login === login)!.id;
  await db.insert(storms).values({ id: storm, office: OFFICE.id, name, day, by: by('ilse') });
  await db.insert(stormEntries).values(
    DEMO_STORM.houses.map(({ by: login, ...house }, i) => {
      const body = { ...house, id: randomUUID(), storm, at: `${day}T16:${i}0:00Z`, kind: 'seen' as const };
      return { id: body.id, office: OFFICE.id, storm, seq: i + 1, body, by: by(login) };
    }),
  );
  return true;
}
