import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { hash } from '@node-rs/argon2';
import { factAt, parseCase, recordedFacts, withFact, type Case } from '@careful-latch/core/case';
import {
  applyChange,
  shownText,
  touched,
  type Change,
  type ChangeBody,
  type Inspection,
} from '@careful-latch/core/record';
import { evaluate } from '@careful-latch/core/verdict';
import { takeInAll } from '../changes/apply';
import type { Database } from '../database/client';
import { accounts, offices } from '../database/schema';
import type { SealKeys } from '../ledger/keys';
import { sha256 } from '../ledger/line';
import type { Account } from '../sessions/session';
import { DEMO_PASSWORD } from './password';
import { DEMO_PROPERTIES, type DemoProperty } from './properties';

const OFFICE = {
  id: '0dd0a7c4-1f5e-4b7a-9c00-0000000f0001',
  name: 'Windfall Township Building Office',
  edition: '2020',
} as const;
const PEOPLE = [
  { login: 'ilse', name: 'Ilse O’Harrow', role: 'inspector' },
  { login: 'joss', name: 'Joss Linnaker', role: 'inspector' },
  { login: 'maro', name: 'Maro Tillane', role: 'contractor' },
] as const;

/** What a demo house is recorded as; undefined where nobody has been there yet. */
export function factsOf(property: DemoProperty): Case | undefined {
  if (!property.from) return undefined;
  const read = parseCase(readFileSync(new URL(`../../examples/${property.from}.json`, import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(`examples/${property.from}.json: ${read.errors.join(' ')}`);
  return Object.entries(property.facts ?? {}).reduce(
    (c, [path, value]) => withFact(c, path, value ?? undefined),
    read.case,
  );
}

function changesOf(property: DemoProperty, by: string): Change[] {
  const changes: Change[] = [];
  let now: Inspection | undefined;
  let time = Date.parse(property.opened);
  const add = (body: ChangeBody, at?: string) => {
    time = at ? Date.parse(at) : time + 20_000;
    const change = { ...body, id: randomUUID(), at: new Date(time).toISOString() } as Change;
    const applied = applyChange(now, change, by);
    if (!applied.ok) throw new Error(`demo, ${property.header.address}: ${applied.why}`);
    now = applied.inspection;
    changes.push(change);
  };
  const inspection = property.id;
  add({ type: 'open', inspection, header: { ...property.header, edition: OFFICE.edition } }, property.opened);
  const recorded = factsOf(property);
  if (recorded)
    for (const path of recordedFacts(recorded))
      add(touched(inspection, path, factAt(recorded, path) as string | number));
  if (property.decision) {
    const { kind, at, conditions = '', dueOn = null } = property.decision;
    add(
      {
        type: 'decide',
        inspection,
        base: changes.length,
        shown: sha256(shownText(now!, evaluate(now!.case))),
        decision: { kind, conditions, dueOn, overruled: [], signature: { name: PEOPLE[0].name, path: '' } },
      },
      at,
    );
  }
  for (const [path, value] of Object.entries(property.later ?? {})) add(touched(inspection, path, value ?? null));
  return changes;
}

/** Loads the demo scenario once, into a database without accounts; true if it did. All of it is invented. */
export async function loadDemo(db: Database, keys: SealKeys): Promise<boolean> {
  const [anybody] = await db.select({ id: accounts.id }).from(accounts).limit(1);
  if (anybody) return false;
  const passwordHash = await hash(DEMO_PASSWORD);
  await db.insert(offices).values(OFFICE);
  const people: Account[] = PEOPLE.map((one) => ({ ...one, id: randomUUID(), office: OFFICE.id }));
  await db.insert(accounts).values(people.map((one) => ({ ...one, passwordHash, demo: true })));
  for (const property of DEMO_PROPERTIES) {
    const person = people.find(({ login }) => login === (property.by ?? PEOPLE[0].login))!;
    const results = await takeInAll(db, keys, person, changesOf(property, person.name));
    for (const result of results)
      if (result.status === 'refused') throw new Error(`demo, ${property.header.address}: ${result.detail}`);
  }
  return true;
}
