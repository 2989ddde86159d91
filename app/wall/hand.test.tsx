import { act, renderHook } from '@testing-library/react';
import { emptyCase, factAt, recordedAt, recordedFacts, withFact, type Case } from '@careful-latch/core/case';
import { example } from '../../core/test/examples';
import { touched } from '@careful-latch/core/record';
import { brokenFacts, evaluate, violationsOf } from '@careful-latch/core/verdict';
import { stationOfPath } from '@careful-latch/core/walk';
import { walkOf } from '../inspection/walk';
import { office } from '../stores/office';
import { closeStore, openInspection, openStore, record, useInspections } from '../stores/inspections';
import { useHand } from './hand';

const ILSE = { name: 'Ilse O’Harrow', role: 'lead' } as const;

const go = jest.fn();
let id: string;
let account = 0;
const OFFERED = { usual: {} };

beforeEach(async () => {
  jest.spyOn(office, 'take').mockResolvedValue([]);
  jest
    .spyOn(office, 'changedSince')
    .mockResolvedValue({ inspections: [], gone: [], cursor: 0, more: false, restored: false });
  await openStore(`hand-${++account}`, ILSE);
  id = openInspection({ address: '9 O’Malley Row', owner: '', permit: '', edition: '2020' });
  record(touched(id, 'transfer.kind', 'retrofit-interlock'));
  go.mockClear();
});
afterEach(() => {
  closeStore();
  jest.restoreAllMocks();
});

const site = (): Case => useInspections.getState().byId[id]!.case;
const at = (station: Parameters<typeof useHand>[1]) =>
  renderHook(() => useHand(walkOf(useInspections((one) => one.byId[id]!)), station, OFFERED, go)).result;
const readAt = (hand: ReturnType<typeof at>, label: string) => {
  const { question } = hand.current.inHand;
  if (question?.kind !== 'glance') throw new Error(`${question?.kind} is asked`);
  const reading = question.readings.find((one) => one.label === label)!;
  act(() => hand.current.acts.read(reading, question.glance.how ?? 'reading'));
};

test('a reading records all that it says as one change, says so, and the next part comes into hand', () => {
  const hand = at('source');
  expect(hand.current.inHand.here?.id).toBe('source/nameplate');
  readAt(hand, 'Gasoline, 120/240 V, 7000 / 8750 W');
  expect(site().source).toMatchObject({ fuel: 'gasoline', runningW: 7000, startingW: 8750 });
  expect(recordedAt(site(), 'source.runningW')).toMatchObject({
    how: 'reading',
    by: 'Ilse O’Harrow',
    said: 'Gasoline, 120/240 V, 7000 / 8750 W',
  });
  expect(hand.current.inHand.here?.id).toBe('source/outlet');
  act(() => hand.current.acts.takeBack());
  expect(site().source?.runningW).toBeUndefined();
  // after Undo nothing goes on by itself
  expect(hand.current.inHand).toMatchObject({ here: { id: 'source/nameplate' }, stays: true });
});

test('at a violation it stops; going on is a touch', () => {
  record(touched(id, 'source.kind', 'engine'));
  record(touched(id, 'siting.place', 'outdoors'));
  record(touched(id, 'siting.openingFt', 25));
  const hand = at('siting');
  expect(hand.current.inHand.question).toMatchObject({ kind: 'glance', glance: { keys: ['siting.exhaustAway'] } });
  act(() => hand.current.acts.answer('siting.exhaustAway', 'no'));
  expect(hand.current.inHand).toMatchObject({
    here: { id: 'siting/exhaust' },
    stays: true,
    open: true, // the CO alarms are left: nothing leads past them
    answer: { severity: 'hazard' },
  });
  act(() => hand.current.acts.goOn());
  expect(hand.current.inHand.here?.id).toBe('siting/alarms');
});

test('an address that names a part which this house does not have puts nothing into hand', () => {
  record(touched(id, 'transfer.kind', 'none-cords'));
  record(touched(id, 'source.kind', 'engine'));
  const hand = at('feeder');
  act(() => hand.current.acts.touch('feeder/cable'));
  expect(hand.current.inHand).toMatchObject({ here: undefined, question: undefined });
  act(() => void record(touched(id, 'transfer.kind', 'retrofit-interlock')));
  expect(hand.current.inHand.here?.id).toBe('feeder/cable');
});

test('what was touched by hand stays in hand, and shows all its facts', () => {
  const hand = at('siting');
  act(() => hand.current.acts.touch('siting/place'));
  expect(hand.current.inHand.known).toEqual(['siting.place', 'siting.openingFt', 'siting.makerFt']);
  act(() => hand.current.acts.change('siting.makerFt'));
  expect(hand.current.inHand.question).toEqual({ kind: 'fact', path: 'siting.makerFt' });
  act(() => hand.current.acts.answer('siting.makerFt', 10));
  expect(hand.current.inHand).toMatchObject({ here: { id: 'siting/place' }, stays: true });
});

test('a cord is begun without being recorded, and is there with its first fact', () => {
  record(touched(id, 'cord[0].part', 'cord'));
  const hand = at('cord');
  act(() => hand.current.acts.add());
  expect(site().cord).toHaveLength(1);
  readAt(hand, 'Cord, L14-30 plug');
  expect(site().cord).toMatchObject([{ part: 'cord' }, { part: 'cord', sourceEnd: 'L14-30' }]);
});

test('within a place the walk goes to the next station by itself; where the body has to move it asks', () => {
  const done = (path: string, value: string | number) => record(touched(id, path, value));
  done('grounding.frameToPanelOhm', 0.2);
  const hand = at('grounding');
  act(() => hand.current.acts.answer('grounding.rod', 'none'));
  expect(go).toHaveBeenCalledWith('panel');
  go.mockClear();
  const loads = at('inlet');
  expect(loads.current.inHand).toMatchObject({ open: true, next: undefined });
  expect(go).not.toHaveBeenCalled();
  act(() => loads.current.acts.pick('labels.inletSign'));
  expect(loads.current.inHand.here?.id).toBe('inlet/sign');
  act(() => loads.current.acts.pick('grounding.rod'));
  expect(go).toHaveBeenCalledWith('grounding', 'grounding/rod');
});

test('an empty slot that is touched becomes a circuit, whether nothing is left to find out there or another part was touched before', () => {
  const sound = example('walk-interlock-four-circuits');
  const facts = recordedFacts(sound).filter((path) => path !== 'transfer.kind');
  act(() => facts.forEach((path) => record(touched(id, path, factAt(sound, path) as string | number))));
  const loads = at('loads');
  expect(loads.current.inHand.here).toBeUndefined();
  const slots = () => site().loads!.circuits!.map((one) => one.slot);
  const recorded = slots();
  act(() => loads.current.acts.slot(21, undefined));
  expect(slots()).toEqual([...recorded, 21]);
  expect(loads.current.inHand.here?.index).toBe(recorded.length);
  act(() => loads.current.acts.slot(recorded[0] as number, 0));
  expect(loads.current.inHand).toMatchObject({ here: { index: 0 }, stays: true });
  act(() => loads.current.acts.slot(23, undefined));
  expect(slots()).toEqual([...recorded, 21, 23]);
  expect(loads.current.inHand).toMatchObject({ here: { index: recorded.length }, stays: false });
  // A circuit of which nobody has said where it is gets the slot where it is in hand, and not otherwise.
  act(() => record(touched(id, 'loads.circuits[0].slot', null)));
  act(() => loads.current.acts.slot(25, undefined));
  expect(slots()).toEqual([undefined, ...recorded.slice(1), 21, 23, 25]);
  act(() => loads.current.acts.touch('loads/slot'));
  act(() => loads.current.acts.slot(27, undefined));
  expect(slots()).toEqual([27, ...recorded.slice(1), 21, 23, 25]);
});

test('a station that waits for another says for what', () => {
  expect(at('siting').current.inHand).toMatchObject({ here: undefined, waitsFor: 'source.kind', next: 'source' });
  // the inlet's rules wait for the breaker, to which the walk comes by itself
  const sound = example('walk-interlock-four-circuits');
  const outside = recordedFacts(sound).filter(
    (path) => /^(source|siting|cord|inlet)/.test(path) || /inletSign|insV|PinV/.test(path),
  );
  act(() => outside.forEach((path) => record(touched(id, path, factAt(sound, path) as string | number))));
  expect(at('inlet').current.inHand).toMatchObject({ here: undefined, waitsFor: undefined, next: 'feeder' });
});

test('what cannot be recorded is said, and nothing is lost', () => {
  record(touched(id, 'source.kind', 'engine'));
  const hand = at('siting');
  act(() => hand.current.acts.answer('siting.openingFt', 5000));
  expect(hand.current.inHand.trouble).toContain('right would be 0 to 500 ft');
  expect(site()).toEqual(
    expect.objectContaining({ transfer: withFact(emptyCase('2020'), 'transfer.kind', 'retrofit-interlock').transfer }),
  );
});

test('whatever an answer makes wrong, at another station too, is told by that touch, and the walk stops for it', () => {
  for (const [path, value] of [
    ['inlet.ratingA', 30],
    ['inlet.configuration', 'L14-30'],
    ['breaker.construction', 'common-trip'],
  ] as const)
    record(touched(id, path, value));
  const hand = at('breaker');
  act(() => hand.current.acts.answer('breaker.ratingA', 50));
  expect(hand.current.inHand.told.map(({ rule, severity }) => [rule, severity])).toContainEqual([
    'inlet/breaker-not-above-inlet',
    'correction',
  ]);
  expect(hand.current.inHand).toMatchObject({ here: { id: 'breaker/face' }, stays: true });
  expect(go).not.toHaveBeenCalled();
  // it is seen where it is drawn broken
  expect(hand.current.inHand.told.every(({ path }) => path === 'breaker.ratingA')).toBe(true);
  act(() => hand.current.acts.goOn());
  expect(hand.current.inHand.told).toEqual([]);
  // what was wrong before is not told once more
  act(() => hand.current.acts.answer('breaker.heldDown', 'yes'));
  expect(hand.current.inHand.told).toEqual([]);
});

test.each([
  'inlet-receptacle',
  'panel-several-mains',
  'labels-wrong-system',
  'case-5-bonded-unswitched',
  'cord-too-small',
  'case-2-breaker-50-before-inlet-30',
])('a house that is right until the last answer: %s', (name) => {
  const wrong = example(name);
  const [path] = [...brokenFacts(wrong, evaluate(wrong)).keys()];
  const without = withFact(wrong, path!, undefined);
  const news = [...wrongRules(wrong)].filter((rule) => !wrongRules(without).has(rule));
  expect(news).not.toEqual([]);
  record({
    type: 'facts',
    inspection: id,
    facts: recordedFacts(without).map((one) => ({ path: one, value: factAt(without, one) as string, how: 'touched' })),
  });
  const hand = at(stationOfPath(path!));
  act(() => hand.current.acts.answer(path!, factAt(wrong, path!) as string));
  expect(hand.current.inHand.told.map(({ rule }) => rule).sort()).toEqual(news.sort());
  expect(go).not.toHaveBeenCalled();
});
const wrongRules = (c: Case) =>
  new Set(violationsOf(evaluate(c)).flatMap((one) => (one.severity === 'advisory' ? [] : [one.rule])));

test('not seen is an answer to all that is read at one glance', () => {
  const hand = at('source');
  expect(hand.current.inHand.question).toMatchObject({ kind: 'glance' });
  act(() => hand.current.acts.notSeen());
  expect(site().source).toMatchObject({ fuel: 'not-seen', runningW: 'not-seen', startingW: 'not-seen' });
});
