import {
  CATALOGUE,
  catalogueKey,
  emptyCase,
  factAt,
  metaOf,
  readCase,
  recordedFacts,
  withFact,
  withRecorded,
  type Case,
} from '../case';
import { RULES } from '../rules';
import { EXAMPLES, example } from '../test/examples';
import { GOOD, caseWith } from '../test/rule-table';
import { walk } from '../test/person';
import { evaluate } from '../verdict';
import { GLANCES } from './glances';
import { readingAt } from './like';
import {
  PARTS,
  aboutWhat,
  WALK,
  find,
  linesOf,
  measuredBy,
  nextPart,
  nextStation,
  noLongerAsked,
  partOfPath,
  partsAt,
  questionAt,
  rightAnswer,
  saidBy,
  sharedNeutral,
  stationState,
  stateOfPart,
  wantedBy,
} from '.';

const partOf = (c: Case, id: string) => WALK.flatMap((station) => partsAt(c, station)).find((one) => one.id === id)!;
const USUAL = { altitudeFt: 1000, airF: 87 };
const without = (c: Case, ...keys: string[]) => keys.reduce((now, key) => withFact(now, key, undefined), c);

/** The whole walk of an example, done once. */
const walks = new Map<string, ReturnType<typeof walk>>();
function walkOf(name: string): ReturnType<typeof walk> {
  const done = walks.get(name) ?? walk(example(name), USUAL);
  walks.set(name, done);
  return done;
}

describe('a person who only answers what comes into hand', () => {
  // Every sound house, and every fourth of those where something is wrong; WALKED=1 asks for all.
  const walked = EXAMPLES.filter((name, i) => /^(ok|walk)-/.test(name) || i % Number(process.env.WALKED ?? 4) === 0);
  test.each(walked)('%s comes out as it is', (name) => {
    const truth = example(name);
    const { recorded } = walkOf(name);
    const { verdict, outcomes: all, contradictions } = evaluate(truth);
    // While a hazard stands nobody starts the source to measure: what only that can show stays unproven.
    const waits = (path: string) => verdict === 'do-not-energize' && partOfPath(recorded, path)?.part.running === true;
    const found = new Map(evaluate(recorded).outcomes.map((one) => [one.rule, one]));
    for (const { rule, outcome } of all) {
      const one = found.get(rule);
      if (outcome === 'unproven' && contradictions.some(({ facts }) => facts.some(waits))) continue; // nobody could see it
      if (one?.needs.some(waits)) expect([rule, one.outcome]).toEqual([rule, 'unproven']);
      else expect([rule, one?.outcome]).toEqual([rule, outcome]);
    }
    expect(readCase(recorded).ok).toBe(true);
  });

  test.each([
    'ok-cords-only',
    'ok-metal-raceway-ground',
    'ok-single-circuit-switch',
    'ok-transfer-panel',
    'ok-whole-house-manual',
    'walk-interlock-four-circuits',
    'walk-switch-ten-circuits',
  ])('nothing is asked that no rule needs: %s', (name) => {
    const { touches, recorded } = walkOf(name);
    const answered = touches.flatMap((one) => (one.act === 'answer' ? [one.path] : []));
    // What a marking says beside is recorded with it, and a circuit's slot by the touch that adds it, whether or not a rule needs it.
    const glanced = ['loads.circuits.slot', ...PARTS.flatMap((part) => part.glances ?? []).flatMap((one) => one.keys)];
    const asked = recordedFacts(recorded).filter(
      (path) => answered.includes(path) || !glanced.includes(catalogueKey(path)),
    );
    const outcomes = (c: Case) => evaluate(c).outcomes.map((one) => `${one.outcome} ${one.reason}`);
    const before = outcomes(recorded);
    const spare = asked.filter((path) =>
      outcomes(withFact(recorded, path, undefined)).every((one, i) => one === before[i]),
    );
    expect(spare).toEqual([]);
  });

  test.each(walked)('every plate that is offered says something: %s', (name) => {
    const dead = walkOf(name).offered.flatMap(({ site, here, glance, readings }) =>
      readings
        .filter((one) => saidBy(site, here, one).length + measuredBy(site, here, one).length === 0)
        .map(({ label }) => `${glance.asks} ${label}`),
    );
    expect(dead).toEqual([]);
  });

  // Touches from the first part to the last, changes of place among them; opening and the findings come to them.
  test.each([
    ['walk-interlock-four-circuits', 74],
    ['walk-switch-ten-circuits', 93],
    ['ok-single-circuit-switch', 63],
    ['ok-cords-only', 23],
  ])('%s takes at most %d touches', (name, most) => {
    expect(walkOf(name).touches.length).toBeLessThanOrEqual(most);
  });
});

describe('the parts', () => {
  test('every fact is found out at one of them, and at one alone comes into hand by itself', () => {
    const counted = new Map<string, number>();
    for (const part of PARTS)
      if (!part.later) for (const key of part.keys) counted.set(key, (counted.get(key) ?? 0) + 1);
    const { kinds: _, ...wrong } = {
      kinds: 0,
      ...Object.fromEntries(
        [...CATALOGUE]
          .filter(([, { retired }]) => !retired)
          .map(([key]) => [key, counted.get(key) ?? 0] as const)
          .filter(([, n]) => n !== 1),
      ),
    };
    expect(wrong).toEqual({});
  });

  test('each has an id and a name of its own at its station', () => {
    expect(new Set(PARTS.map((one) => one.id)).size).toBe(PARTS.length);
    for (const station of WALK) {
      const own = PARTS.filter((one) => one.id.startsWith(`${station}/`)).map((one) => one.name);
      expect(new Set(own).size).toBe(own.length);
    }
  });

  test('a second cord has parts of its own; a house with cords alone has no inlet', () => {
    const two = withFact(GOOD, 'cord[1].part', 'cord');
    expect(
      partsAt(two, 'cord')
        .filter((one) => one.part.id === 'cord/jacket')
        .map((one) => one.id),
    ).toEqual(['cord/jacket', 'cord/jacket 1']);
    expect(partsAt(two, 'cord').filter((one) => one.part.id === 'cord/so')).toHaveLength(1);
    const c = evaluate(caseWith({ 'transfer.kind': 'none-cords' }));
    expect(nextStation(example('ok-cords-only'), c, 'cord')).toBeUndefined();
  });

  test('nobody has looked, somebody has, all of it, and found it violated', () => {
    const state = (c: Case) => stateOfPart(c, evaluate(c), partOf(c, 'breaker/face'));
    expect(state(emptyCase('2020'))).toBe('untouched');
    expect(state(without(GOOD, 'breaker.construction'))).toBe('open');
    expect(state(GOOD)).toBe('known');
    expect(state(caseWith({ 'breaker.ratingA': 50 }))).toBe('violated');
  });
});

describe('lines that are said together', () => {
  const lines = (c: Case, id: string) => linesOf(c, partOf(c, id), wantedBy(evaluate(c)));
  const runs = (metal: string) =>
    without(
      caseWith({ 'feeder.stretches[1].place': 'attic', 'feeder.stretches[1].metal': metal }),
      ...['feeder.stretches[0].fastened', 'feeder.stretches[1].fastened', 'feeder.splices'],
    );
  test('name their run where there are several', () => {
    const alone = lines(without(GOOD, 'feeder.stretches[0].fastened'), 'feeder/so').map((one) => one.words);
    expect(alone).toHaveLength(1);
    expect(alone[0]).not.toMatch(/^Run /);
    const words = lines(runs('copper'), 'feeder/so').map((one) => one.words);
    expect(words.filter((one) => /^Run [12]: Fastened/.test(one))).toHaveLength(2);
    expect(new Set(words).size).toBe(words.length);
  });
  test('say of two metals on one way nothing that cannot be so', () => {
    const paths = (c: Case) => lines(c, 'feeder/so').map((one) => one.path);
    expect(paths(runs('copper'))).toContain('feeder.splices');
    expect(paths(runs('aluminum'))).not.toContain('feeder.splices');
  });
});

test('a question is about the same once the case has come again, and about something else elsewhere', () => {
  const c = emptyCase('2020');
  const about = WALK.flatMap((station) => partsAt(c, station)).flatMap((here) => {
    const ask = (of: Case) => questionAt(of, evaluate(of), here);
    const [question, again] = [ask(c), ask(structuredClone(c))];
    if (!question || !again) return [];
    expect(question).not.toBe(again);
    expect(aboutWhat(here, again)).toBe(aboutWhat(here, question));
    return [aboutWhat(here, question)];
  });
  expect(new Set(about).size).toBe(about.length);
  expect(about.length).toBeGreaterThan(0);
});

describe('readings', () => {
  const cases = EXAMPLES.filter((name) => /^(ok-(l|p|s|w)|walk)/.test(name)).map(example);
  test('each says only facts of its glance, each a value that can be recorded, and no two the same', () => {
    for (const c of cases)
      for (const station of WALK)
        for (const here of partsAt(c, station))
          for (const glance of here.part.glances ?? []) {
            const readings = glance.readings(c, USUAL, here.entry);
            expect(new Set(readings.map((one) => one.label)).size).toBe(readings.length);
            for (const reading of readings) {
              const keys = [...Object.keys(reading.says), ...(reading.measures ?? [])];
              expect(glance.keys).toEqual(expect.arrayContaining(keys));
              const recorded = saidBy(c, here, reading).reduce((now, [path, value]) => withFact(now, path, value), c);
              expect(readCase(recorded)).toMatchObject({ ok: true });
            }
          }
  });

  test('one says nothing that is not asked for then: no ground size where the raceway is the ground', () => {
    const c = withFact(GOOD, 'inlet.box', undefined);
    const dry = { label: 'In a dry place', says: { 'inlet.box': 'dry', 'inlet.enclosure': '3R' } };
    expect(saidBy(c, partOf(c, 'inlet/box'), dry)).toEqual([['inlet.box', 'dry']]);
  });

  test('the same reading taken again spares what somebody touched', () => {
    const line = { how: 'touched', at: '2026-11-25T10:00:00Z', by: 'Ilse O’Harrow' } as const;
    const c = withRecorded(withFact(GOOD, 'cord[0].wires', '3'), 'cord[0].wires', line);
    const jacket = partOf(c, 'cord/jacket');
    const reading = jacket.part
      .glances![0]!.readings(c, {}, 'cord[0]')
      .find((one) => one.label.startsWith('10/4 STW'))!;
    expect(saidBy(c, jacket, reading).map(([path]) => path)).not.toContain('cord[0].wires');
    const read = withRecorded(GOOD, 'cord[0].wires', { ...line, how: 'reading' });
    expect(saidBy(read, jacket, reading).map(([path]) => path)).toContain('cord[0].wires');
    // nobody says how: somebody touched it
    expect(saidBy(GOOD, jacket, reading)).toEqual([]);
  });

  test('what is said of all circuits together is said of those alone that nobody has answered', () => {
    const shared = withFact(without(GOOD, 'loads.circuits[1].neutralGroup'), 'loads.circuits[0].neutralGroup', 'a');
    const neutrals = partOf(shared, 'loads/neutral');
    const [own] = neutrals.part.glances![0]!.readings(shared, {});
    expect(saidBy(shared, neutrals, own!)).toEqual([['loads.circuits[1].neutralGroup', 'own']]);
  });

  test('two circuits share a neutral under a letter of their own; whoever shared with one of them is asked again', () => {
    const groups = (...all: (string | undefined)[]) =>
      all.reduce((c, group, i) => withFact(withFact(c, `loads.circuits[${i}].slot`, 2 * i + 1), `loads.circuits[${i}].neutralGroup`, group), without(GOOD, 'loads.circuits')); // prettier-ignore
    const said = (c: Case, one: number, other: number) => {
      const facts = sharedNeutral(c, one, other);
      return typeof facts === 'string' ? facts : facts.map(([path, value]) => `${path.match(/\d+/)![0]} ${value}`);
    };
    expect(said(groups(undefined, undefined), 0, 1)).toEqual(['0 a', '1 a']);
    expect(said(groups('a', 'a', 'own', undefined), 2, 3)).toEqual(['2 b', '3 b']);
    expect(said(groups('a', 'a', undefined), 0, 2)).toEqual(['0 a', '2 a', '1 null']);
    expect(said(groups('a', 'a', 'b', 'b'), 1, 2)).toEqual(['1 a', '2 a', '0 null', '3 null']);
    expect(said(groups('a', 'a', 'b', 'b', 'c', 'c', undefined, undefined), 6, 7)).toContain('room for no more');
  });

  test('once part of a marking is known the rest is asked by itself', () => {
    const c = without(GOOD, 'cord[0].type', 'cord[0].sizeAwg', 'cord[0].wires', 'cord[0].markedC');
    expect(questionAt(c, evaluate(c), partOf(c, 'cord/jacket'))).toMatchObject({ kind: 'glance' });
    expect(questionAt(c, evaluate(c), partOf(c, 'cord/jacket'), { single: true })).toMatchObject({ kind: 'fact' });
    const half = withFact(c, 'cord[0].type', 'STW');
    expect(questionAt(half, evaluate(half), partOf(half, 'cord/jacket'))).toMatchObject({ kind: 'fact' });
  });

  test('usual values are offered where somebody has met them, and marked', () => {
    const c = without(GOOD, 'source.altitudeFt', 'source.airF');
    const ask = (usual: Readonly<Record<string, number>>) =>
      questionAt(c, evaluate(c), partOf(c, 'source/site'), { usual });
    expect(ask({})).toMatchObject({ kind: 'fact' });
    expect(ask(USUAL)).toMatchObject({ kind: 'glance', glance: { how: 'usual' } });
  });

  describe('like another house', () => {
    const c = withFact(emptyCase('2023'), 'transfer.kind', 'retrofit-interlock');
    const ask = (like: Case, id: string, now = c) => questionAt(now, evaluate(now), partOf(now, id), { like });
    const there = withFact(withFact(GOOD, 'source.runningW', 7200), 'source.startingW', 9000);

    test('its marking stands first, with what no usual plate says', () => {
      const question = ask(there, 'source/nameplate');
      if (question?.kind !== 'glance') throw new Error('no glance');
      expect(question.asThere).toBe(question.readings[0]);
      expect(question.asThere).toEqual({
        label: 'Gasoline, 120/240 V, Running watts: 7200 W, Starting watts: 9000 W',
        says: {
          'source.kind': 'engine',
          'source.nameplate': 'legible',
          'source.fuel': 'gasoline',
          'source.voltage': '120/240',
          'source.runningW': 7200,
          'source.startingW': 9000,
        },
      });
      expect(question.readings.slice(1)).toHaveLength(
        (ask(emptyCase('2023'), 'source/nameplate') as typeof question).readings.length,
      );
    });

    test('a usual plate that says all of it is moved up, not written again', () => {
      const usual = ask(emptyCase('2023'), 'cord/plug') as { readings: readonly unknown[] };
      const now = ask(there, 'cord/plug') as { readings: readonly unknown[]; asThere: unknown };
      expect(now.readings[0]).toBe(now.asThere);
      expect(now.readings).toHaveLength(usual.readings.length);
    });

    test.each(['byHand', 'torque', 'bars', 'standing', 'space', 'inletSign', 'electrode', 'pins', 'legs'] as const)(
      'nothing is offered of what was seen, tried or measured there: %s',
      (name) => {
        const glance = GLANCES[name];
        expect(glance.keys.some((key) => factAt(there, key) !== undefined)).toBe(name !== 'electrode');
        expect(
          readingAt(there, glance, glance.readings(there, USUAL), new Map(glance.keys.map((key) => [key, key]))),
        ).toBeUndefined();
      },
    );

    test('a circuit that it has not gets nothing from it', () => {
      const fifth = withFact(there, 'loads.circuits[4].slot', 22);
      const at = (index: number, like: Case) => {
        const c = without(fifth, ...['use', 'plan', 'volts', 'runningW', 'startingW'].map((key) => `loads.circuits[${index}].${key}`)); // prettier-ignore
        const here = partsAt(c, 'loads').find((one) => one.index === index && one.part.id === 'loads/use')!;
        return questionAt(c, evaluate(c), here, { like });
      };
      expect(at(0, there)).toHaveProperty('asThere.says', expect.objectContaining({ 'loads.circuits.use': factAt(there, 'loads.circuits[0].use') })); // prettier-ignore
      expect(at(4, there)).not.toHaveProperty('asThere');
    });
  });

  test('never at one glance: what a label says and what a meter says of it, or both ends of a cord', () => {
    const together = (a: string, b: string) =>
      PARTS.flatMap((one) => one.glances ?? []).some(({ keys }) => keys.includes(a) && keys.includes(b));
    expect(together('source.neutralBond', 'source.neutralFrameOhm')).toBe(false);
    expect(together('inlet.pinsDead', 'function.pinsV')).toBe(false);
    expect(together('cord.sourceEnd', 'cord.inletEnd')).toBe(false);
  });
});

describe('said together', () => {
  const keys = PARTS.filter((one) => one.so).flatMap((one) => one.keys);
  const sound = [
    ...EXAMPLES.filter((name) => name.startsWith('ok-')).map(example),
    caseWith({ 'source.connection': 'permanent', 'labels.standingSign': 'yes' }),
    caseWith({ 'feeder.stretches[0].metal': 'aluminum', 'feeder.stretches[0].sizeAwg': '8' }),
  ];
  const judged = (c: Case) => evaluate(c).outcomes.filter((one) => one.outcome === 'violation');

  test.each(keys)('%s has one right answer by the rules, and no hazard hangs on it alone', (key) => {
    const right = rightAnswer(key);
    expect(right).toBeDefined();
    const c = sound.find((one) =>
      recordedFacts(one).some((path) => catalogueKey(path) === key && factAt(one, path) === right),
    )!;
    expect(c).toBeDefined();
    const path = recordedFacts(c).find((one) => catalogueKey(one) === key && factAt(c, one) === right)!;
    const before = judged(c).length;
    const wrong = metaOf(path)
      .choices.map((one) => one.value)
      .filter((one) => one !== right);
    const found = wrong.map((value) => judged(withFact(c, path, value)).length - before);
    expect(found.some((more) => more > 0)).toBe(true);
    // another answer that is right too says that something is there, and how: never more than that
    if (found.some((more) => more <= 0)) expect(['none', 'free']).toContain(right);
    const severities = RULES.filter((rule) => rule.right?.[key]).map((rule) => rule.severity);
    expect(severities).not.toContain('hazard');
  });

  test('what needs a tool, a hand or a start is never said together', () => {
    const asks = keys.map((key) => [key, metaOf(key).ask] as const);
    expect(
      asks.filter(([, ask]) => /\b(meter|tape|press|try|torque|push|clamp|panel dead)\b/.test(ask)).map(([key]) => key),
    ).toEqual([]);
  });

  test('at most seven lines at once, and a line that was answered is gone', () => {
    const c = without(
      GOOD,
      ...PARTS.filter((one) => one.so).flatMap((one) =>
        one.keys.filter((key) => !key.includes('cord.') && !key.includes('stretches.')),
      ),
    );
    for (const station of WALK)
      for (const here of partsAt(c, station).filter((one) => one.part.so)) {
        const lines = linesOf(c, here, wantedBy(evaluate(c)));
        expect(lines.length).toBeLessThanOrEqual(7);
        if (lines.length === 0) continue;
        const next = withFact(c, lines[0]!.path, lines[0]!.right);
        expect(linesOf(next, here, wantedBy(evaluate(next))).map((one) => one.path)).not.toContain(lines[0]!.path);
      }
  });
});

describe('a connection that turns out to be another', () => {
  test('keeps what still applies, and says what does not', () => {
    const after = caseWith({ 'transfer.kind': 'none-cords' });
    const gone = noLongerAsked(GOOD, after);
    expect(gone).toContain('transfer.mechanism');
    expect(gone).toContain('labels.inletSign');
    expect(gone).not.toContain('source.runningW');
    expect(factAt(after, 'transfer.mechanism')).toBe('sliding-plate'); // kept for Undo
    expect(noLongerAsked(GOOD, GOOD)).toEqual([]);
  });
});

describe('finding', () => {
  const paths = (text: string) => find(GOOD, text).map((one) => one.path);
  test('a fact by its name, by how it is found out, and by what a rule demands', () => {
    expect(paths('torque tool')[0]).toBe('transfer.torqueTool');
    expect(paths('knockouts')).toEqual(expect.arrayContaining(['inlet.entrySealed', 'panel.openingsClosed']));
    expect(
      find(GOOD, 'weakest of inlet')
        .map((one) => one.words)
        .join(),
    ).toMatch(/weakest/);
    expect(paths('breaker/held-down')).toEqual(['breaker.heldDown']);
  });

  test('by several words in any order and case, and nothing for nothing', () => {
    expect(paths('SIZE conductor cord')).toContain('cord[0].sizeAwg');
    expect(paths('   ')).toEqual([]);
    expect(paths('no such thing anywhere')).toEqual([]);
  });

  test('what is not asked for in this house is not found', () => {
    expect(paths('gas hose')).toEqual([]);
    expect(find(caseWith({ 'source.fuel': 'propane' }), 'gas hose').map((one) => one.path)).toContain('siting.gasFit');
  });
});

describe('what comes next', () => {
  test('the parts of a station in their order, then the next station that lacks something', () => {
    const c = emptyCase('2020');
    expect(nextPart(c, evaluate(c), 'source')?.id).toBe('source/nameplate');
    const read = ['kind', 'nameplate', 'fuel', 'voltage', 'runningW', 'startingW'].map((key) => `source.${key}`);
    const after = read.reduce((now, path) => withFact(now, path, factAt(GOOD, path)), c);
    expect(nextPart(after, evaluate(after), 'source')?.id).toBe('source/outlet');
    expect(nextStation(GOOD, evaluate(GOOD), 'source')).toBeUndefined();
    const open = without(GOOD, 'grounding.rod', 'labels.steps');
    expect(nextStation(open, evaluate(open), 'inlet')).toBe('grounding');
    expect(nextStation(open, evaluate(open), 'grounding')).toBe('labels');
  });

  test('what is not seen is not asked again', () => {
    const c = caseWith({ 'grounding.rod': 'not-seen' });
    expect(nextPart(c, evaluate(c), 'grounding')).toBeUndefined();
  });

  test('a violation asks for what may lift it: the meter that tells ghost volts from real ones', () => {
    const c = caseWith({ 'function.pinsV': 80 });
    expect(questionAt(c, evaluate(c), partOf(c, 'inlet/pins'))).toEqual({ kind: 'fact', path: 'function.pinsLowZV' });
  });

  test.each([
    ['cords alone', example('case-10-cords-too-much')],
    ['a load-side switch', withFact(example('walk-switch-ten-circuits'), 'loads.circuits[0].runningW', 7000)],
  ])('too much on the way asks for nothing that does not hang at this house: %s', (_, c) => {
    const evaluation = evaluate(c);
    expect(evaluation.outcomes.find((one) => one.rule === 'loads/within-weakest-device')!.outcome).toBe('violation');
    const absent = WALK.filter((station) => stationState(c, evaluation, station) === 'absent');
    expect(absent).toContain('breaker');
    expect(absent.map((station) => [station, nextPart(c, evaluation, station)])).toEqual(
      absent.map((station) => [station, undefined]),
    );
  });
});
