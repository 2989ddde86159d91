import { readFileSync, readdirSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020';
import { OFFICE_NUMBERS } from '../codebook';
import { RULES } from '../rules';
import { EXAMPLES, example } from '../test/examples';
import { GOOD, caseWith } from '../test/rule-table';
import { evaluate, type Evaluation, type Outcome } from '../verdict';
import { stationState } from '../walk';
import { withFact, type Case } from '../case';
import { BY_PHOTO } from '../rules/by-photo';
import {
  OFFICE_MAY_READ,
  isByPhoto,
  isProtected,
  maySettleByPhoto,
  parseProfile,
  profileJsonSchema,
  type Profile,
} from '.';

const folder = `${__dirname}/../../profiles`;
const read = (name: string): Profile => {
  const result = parseProfile(readFileSync(`${folder}/${name}.json`, 'utf8'));
  if (!result.ok) throw new Error(result.errors.join('\n'));
  return result.profile;
};
const STRICT = read('strict-office');
const LENIENT = read('lenient-office');
const evaluations = new Map<string, Evaluation>();
/** What an example comes out as without a profile, worked out once. */
function judged(name: string): Evaluation {
  const known = evaluations.get(name) ?? evaluate(example(name));
  evaluations.set(name, known);
  return known;
}
const under = (c: Case, profile: Profile, rule: string): Outcome =>
  evaluate(c, { profile }).outcomes.find((one) => one.rule === rule)!;
const validate = new Ajv2020().compile(profileJsonSchema());

describe('what a profile changes', () => {
  test('severity: the cover of the interlock is a hazard to the strict office, advice to the lenient one', () => {
    const c = example('transfer-on-cover');
    expect(under(c, STRICT, 'transfer/works-without-cover')).toMatchObject({
      severity: 'hazard',
      changedBy: expect.stringContaining('hazard instead of advisory') as unknown as string,
    });
    expect(evaluate(c, { profile: STRICT }).verdict).toBe('do-not-energize');
    expect(under(c, LENIENT, 'transfer/works-without-cover')).toMatchObject({ severity: 'advisory', changedBy: null });
  });

  test('number: 22 ft from a window holds by our numbers, and is a violation by the strict office’s', () => {
    const c = caseWith({ 'siting.openingFt': 22 });
    expect(evaluate(c).outcomes.find((one) => one.rule === 'siting/clear-of-openings')).toMatchObject({
      outcome: 'holds',
      changedBy: null,
    });
    const strict = under(c, STRICT, 'siting/clear-of-openings');
    expect(strict).toMatchObject({ outcome: 'violation', severity: 'correction', allowed: 25 });
    expect(strict.changedBy).toContain('where the maker gives none: 25 ft');
    expect(strict.working).toContainEqual(expect.objectContaining({ value: 25, source: 'local profile' }));
  });

  test('stricter: an advisory becomes a correction, a correction a hazard', () => {
    const c = caseWith({ 'labels.steps': 'no', 'siting.coAlarms': 'no' });
    expect([
      under(c, STRICT, 'labels/operating-steps').severity,
      under(c, STRICT, 'siting/co-alarms').severity,
    ]).toEqual(['correction', 'hazard']);
    expect(evaluate(c, { profile: STRICT }).verdict).toBe('do-not-energize');
  });

  test('a finding that weighs more than its rule’s others is not made lighter with it, one that weighs less is made heavier', () => {
    const severity = (rule: string, office: 'advisory' | 'hazard', c: Case) =>
      under(c, { ...LENIENT, rules: { [rule]: { severity: office, reason: 'here' } } }, rule).severity;
    expect(severity('siting/clear-of-openings', 'advisory', caseWith({ 'siting.openingFt': 4 }))).toBe('hazard');
    expect(severity('siting/clear-of-openings', 'advisory', caseWith({ 'siting.openingFt': 6 }))).toBe('advisory');
    expect(severity('breaker/not-above-weakest-link', 'hazard', caseWith({ 'breaker.ratingA': 50 }))).toBe('hazard');
  });

  test('readings: the outcome says which was used, and that offices differ', () => {
    const inHouse = example('neutral-jumper-in-house');
    const jumper = (profile?: Profile) =>
      evaluate(inHouse, { profile }).outcomes.find((one) => one.rule === 'neutral/separately-derived-grounded')!;
    expect(jumper()).toMatchObject({
      outcome: 'violation',
      reading: expect.stringMatching(/Offices differ.*usual reading/) as never,
    });
    expect(jumper(LENIENT)).toMatchObject({
      outcome: 'holds',
      reading: expect.stringMatching(/also at the transfer equipment.*yours reads it so/) as never,
    });
    const noElectrode = withFact(example('ok-whole-house-manual'), 'grounding.derivedElectrode', 'none');
    expect(
      [STRICT, LENIENT].map((profile) => under(noElectrode, profile, 'grounding/electrode-for-derived').outcome),
    ).toEqual(['violation', 'holds']);
    expect(
      under(withFact(noElectrode, 'source.connection', 'permanent'), LENIENT, 'grounding/electrode-for-derived')
        .outcome,
    ).toBe('violation');
    const onCover = withFact(example('transfer-on-cover'), 'title', undefined);
    expect(under(onCover, { ...STRICT, rules: {} }, 'transfer/works-without-cover').severity).toBe('correction');
    const makers = caseWith({ 'siting.openingFt': 12, 'siting.makerFt': 10 });
    expect([STRICT, LENIENT].map((profile) => under(makers, profile, 'siting/clear-of-openings').outcome)).toEqual([
      'violation',
      'holds',
    ]);
    expect(
      [STRICT, LENIENT].map(
        (profile) => under(example('feeder-long'), { ...profile, rules: {} }, 'feeder/voltage-drop').severity,
      ),
    ).toEqual(['correction', 'advisory']);
    // nothing is said of readings where no office reads otherwise
    expect(evaluate(GOOD).outcomes.find((one) => one.rule === 'breaker/held-down')!.reading).toBeNull();
  });

  describe('what a photo settles', () => {
    const saying = (rule: string, byPhoto: boolean) =>
      parseProfile(JSON.stringify({ format: 'careful-latch/profile', version: 2, office: 'Any', edition: '2020', rules: { [rule]: { byPhoto, reason: 'here' } } })); // prettier-ignore

    test('an office may take a label out of it, and put a lid in', () => {
      for (const [rule, byPhoto] of [
        ['labels/generator-breaker', false],
        ['inlet/lockable', true],
      ] as const) {
        expect(isByPhoto(undefined, rule)).toBe(!byPhoto);
        const read = saying(rule, byPhoto);
        if (!read.ok) throw new Error(read.errors.join());
        expect(isByPhoto(read.profile, rule)).toBe(byPhoto);
      }
    });

    test.each([
      'breaker/held-down', 'function/dead-pins', 'transfer/prevents-parallel', 'neutral/matrix', 'panel/working-space', 'cord/locks-and-pull-tested',
      'panel/main-bonding-jumper', 'grounding/path-continuous', 'siting/outdoors', 'feeder/ampacity',
    ])('%s is not among what an office may let a photo settle', (rule) => {
      expect(RULES.some(({ id }) => id === rule)).toBe(true);
      expect(saying(rule, true)).toMatchObject({ ok: false, errors: [expect.stringContaining('no photo settles it')] });
      expect(saying(rule, false).ok).toBe(true);
    }); // prettier-ignore

    test('all that is ours may be the office’s', () => {
      expect(BY_PHOTO.filter((rule) => !maySettleByPhoto(rule))).toEqual([]);
    });
  });

  test.each(RULES.filter((rule) => isProtected(rule.id)).map(({ id }) => id))(
    '%s: no office switches it off or makes it weaker',
    (id) => {
      const file = (version: 1 | 2, change: object) =>
      parseProfile(JSON.stringify({
        format: 'careful-latch/profile', version, office: 'Any', edition: '2020', rules: { [id]: { reason: 'here', ...change } },
        ...(version === 1 ? { installers: 'licensed' } : {}),
      })); // prettier-ignore
      const hazard = RULES.find((one) => one.id === id)!.severity === 'hazard';
      for (const change of hazard
        ? [{ off: true }, { severity: 'advisory' }, { severity: 'correction' }]
        : [{ off: true }]) {
        expect(file(2, change)).toEqual({
          ok: false,
          errors: [expect.stringContaining(`${id} is a hazard that no office`)],
        });
        const old = file(1, change);
        if (!old.ok) throw new Error(old.errors.join());
        const name = EXAMPLES.find((one) =>
          judged(one).outcomes.some(
            (each) => each.rule === id && each.outcome === 'violation' && each.severity === 'hazard',
          ),
        )!;
        expect(under(example(name), old.profile, id)).toMatchObject({
          outcome: 'violation',
          severity: 'hazard',
          changedBy: expect.stringContaining('may not be made weaker') as never,
        });
      }
      expect(file(2, { severity: 'hazard' }).ok).toBe(true);
    },
  );

  test('each hazard of the rulebook is protected, or stands in a list with the reason why an office may read it otherwise', () => {
    const mayBeHazard = RULES.filter(({ severity, weighs }) => severity === 'hazard' || weighs?.includes('hazard'));
    for (const { id } of mayBeHazard)
      expect([id, isProtected(id), Object.hasOwn(OFFICE_MAY_READ, id)]).toEqual([id, !Object.hasOwn(OFFICE_MAY_READ, id), !isProtected(id)]); // prettier-ignore
    for (const [id, reason] of Object.entries(OFFICE_MAY_READ)) {
      expect(mayBeHazard.map((one) => one.id)).toContain(id);
      expect(reason.length).toBeGreaterThan(20);
    }
    // and whatever any example finds as a hazard is one of the two
    const found = EXAMPLES.flatMap((name) => judged(name).outcomes)
      .filter((one) => one.outcome === 'violation' && one.severity === 'hazard')
      .map((one) => one.rule);
    expect([...new Set(found)].filter((id) => !isProtected(id) && !Object.hasOwn(OFFICE_MAY_READ, id))).toEqual([]);
  });

  test('joined sources stay a hazard, whatever an old profile switches off', () => {
    const off = parseProfile(JSON.stringify({
      format: 'careful-latch/profile', version: 1, office: 'Any', edition: '2020', installers: 'licensed',
      rules: { 'transfer/present': { off: true, reason: 'x' }, 'transfer/no-outlet-backfeed': { off: true, reason: 'x' } },
      numbers: { deadPinsV: 30, groundPathOhm: 25, advisedOpeningFt: 0 },
    })); // prettier-ignore
    if (!off.ok) throw new Error(off.errors.join());
    expect(evaluate(example('stop-backfed-dryer'), { profile: off.profile }).verdict).toBe('do-not-energize');
    // numbers below the floor are read, and held to it
    expect(under(caseWith({ 'function.pinsV': 6 }), off.profile, 'function/dead-pins')).toMatchObject({
      outcome: 'violation',
      allowed: 5,
    });
    expect(under(caseWith({ 'grounding.frameToPanelOhm': 3 }), off.profile, 'grounding/path-continuous')).toMatchObject(
      { outcome: 'violation', allowed: 2 },
    );
  });

  test('an item stands at the station that the office names', () => {
    const stations = evaluate(GOOD, { profile: STRICT })
      .outcomes.filter(({ rule }) => rule.startsWith('local/'))
      .map(({ rule, station }) => `${rule} ${station}`);
    expect(stations).toEqual([
      'local/installer panel',
      'local/permit-posted panel',
      'local/fuel-store siting',
      'local/utility-told transfer',
    ]);
    const evaluation = evaluate(GOOD, { profile: STRICT });
    expect([stationState(GOOD, evaluation, 'transfer'), stationState(GOOD, evaluation, 'inlet')]).toEqual([
      'open',
      'proved',
    ]);
  });

  test('citation: the office’s own stands in place of ours', () => {
    const c = example('case-9-rod-half-inch');
    expect(under(c, LENIENT, 'grounding/rod-size')).toMatchObject({
      cites: ['County Rule 3'],
      changedBy: expect.stringContaining('own citation') as unknown as string,
    });
    expect(under(c, STRICT, 'grounding/rod-size').cites).toEqual(['250.52(A)(5)', '250.54']);
  });

  test('off: the rule does not apply, and says whose doing that is', () => {
    const c = caseWith({ 'inlet.lockable': 'no' });
    expect(under(c, LENIENT, 'inlet/lockable')).toMatchObject({
      outcome: 'not-applicable',
      reason: expect.stringContaining('Lower Orchard County has switched it off') as unknown as string,
      changedBy: expect.stringContaining('switched off') as unknown as string,
    });
  });

  test('edition: the office’s, unless another is asked for', () => {
    expect(evaluate(GOOD, { profile: LENIENT }).edition).toBe('2017');
    expect(evaluate(GOOD, { profile: LENIENT, edition: '2023' }).edition).toBe('2023');
    expect(evaluate(GOOD).edition).toBe(GOOD.edition);
  });

  test('own items and who may install: unproven until answered, then judged', () => {
    const open = evaluate(GOOD, { profile: STRICT });
    expect(open.verdict).toBe('not-finished');
    expect(under(GOOD, STRICT, 'local/permit-posted')).toMatchObject({
      outcome: 'unproven',
      needs: ['local.permit-posted'],
      cites: ['Township Ordinance 7-1'],
    });
    const answered = (installer: string, posted: string) =>
      withFact(
        withFact(GOOD, 'local', { installer, 'permit-posted': posted, 'fuel-store': 'no', 'utility-told': 'yes' }),
        'title',
        undefined,
      );
    expect(evaluate(answered('licensed', 'yes'), { profile: STRICT }).verdict).toBe('nothing-against'); // the fuel store is advice
    expect(evaluate(answered('licensed', 'no'), { profile: STRICT }).verdict).toBe('corrections-required');
    expect(under(answered('owner', 'yes'), STRICT, 'local/installer')).toMatchObject({
      outcome: 'violation',
      severity: 'correction',
    });
    expect(under(answered('owner', 'yes'), LENIENT, 'local/installer')).toBeUndefined();
  });

  test('a profile that changes nothing changes nothing', () => {
    const nothing = parseProfile(
      JSON.stringify({
        format: 'careful-latch/profile',
        version: 1,
        office: 'None',
        edition: '2020',
        installers: 'owner-with-permit',
      }),
    );
    expect(nothing.ok).toBe(true);
    for (const name of ['case-1-interlock-holds', 'case-5-bonded-unswitched', 'transfer-kit-trimmed'])
      expect(JSON.stringify(evaluate(example(name), { profile: nothing.ok ? nothing.profile : undefined }))).toBe(
        JSON.stringify(evaluate(example(name))),
      );
  });
});

describe('reading', () => {
  const good = JSON.parse(readFileSync(`${folder}/strict-office.json`, 'utf8')) as Record<string, unknown>;
  test.each<[string, object | string, string]>([
    ['no JSON', '{', 'this is no JSON'],
    ['a list', '[]', '[] is no profile'],
    ['another format', { format: 'something' }, 'format: right would be "careful-latch/profile"'],
    ['a later version', { version: 3 }, 'version: right would be 2; 1 is read too'],
    [
      'a reading that is none',
      { readings: { derivedNeutral: 'anywhere' } },
      'derivedNeutral: right would be one of source-or-first-device, house-too',
    ],
    ['a question that is none', { readings: { neutral: 'x' } }, 'is no question that offices read differently'],
    [
      'an item at no station',
      { checklist: [{ id: 'a', station: 'roof', ask: 'b', severity: 'advisory', cite: 'c' }] },
      'right would be one of source, siting',
    ],
    [
      'a rule that is none',
      { rules: { 'breaker/held-downn': { off: true, reason: 'x' } } },
      'nearest is breaker/held-down',
    ],
    [
      'a change without a reason',
      { rules: { 'breaker/held-down': { off: true } } },
      'breaker/held-down.reason: say why the office changes it',
    ],
    [
      'a severity that is none',
      { rules: { 'breaker/held-down': { severity: 'grave', reason: 'x' } } },
      'right would be one of hazard, correction, advisory',
    ],
    [
      'a stray change',
      { rules: { 'breaker/held-down': { color: 'red', reason: 'x' } } },
      'color is nothing that a profile can change',
    ],
    ['a number that is none', { numbers: { leastOpening: 3 } }, 'nearest is'],
    ['a number out of bounds', { numbers: { leastOpeningFt: -1 } }, 'leastOpeningFt: -1 is outside 5 to 100 ft'],
    ['a number as text', { numbers: { leastOpeningFt: '5' } }, 'leastOpeningFt: right would be a number'],
    [
      'two items of one id',
      { checklist: [1, 2].map(() => ({ id: 'a', ask: 'b', severity: 'advisory', cite: 'c' })) },
      'two items have the same id',
    ],
    [
      'an item without a citation',
      { checklist: [{ id: 'a', ask: 'b', severity: 'advisory' }] },
      'checklist[0].cite: give the citation',
    ],
    ['a stray key', { color: 'red' }, 'color is nothing that a profile has'],
    [
      'an installer that is none',
      { version: 1, installers: 'anybody', readings: undefined, checklist: undefined },
      'right would be one of licensed, owner-with-permit',
    ],
    ['an installer of old in a new file', { installers: 'licensed' }, 'version 2 says it under "readings"'],
  ])('%s', (_, change, sentence) => {
    const text = typeof change === 'string' ? change : JSON.stringify({ ...good, ...change });
    const result = parseProfile(text);
    expect(result.ok ? [] : result.errors).toEqual(expect.arrayContaining([expect.stringContaining(sentence)]));
    if (typeof change !== 'string' && !sentence.includes('same id')) expect(validate(JSON.parse(text))).toBe(false);
  });

  test('version 1 still reads: who may install becomes a reading, items stand at the panel', () => {
    const old = parseProfile(JSON.stringify({
      format: 'careful-latch/profile', version: 1, office: 'Old', edition: '2017', installers: 'licensed', rules: {}, numbers: { advisedOpeningFt: 0 },
      checklist: [{ id: 'a', ask: 'b', severity: 'advisory', cite: 'c' }],
    })); // prettier-ignore
    expect(old.ok && old.profile).toMatchObject({
      version: 2,
      readings: { installer: 'licensed' },
      numbers: { advisedOpeningFt: 0 },
      checklist: [{ id: 'a', station: 'panel' }],
    });
  });

  test.each(readdirSync(folder))('%s satisfies the JSON Schema', (file) => {
    expect(validate(JSON.parse(readFileSync(`${folder}/${file}`, 'utf8')))).toBe(true);
  });

  test('the published schema is the current one, with every number’s usual value', () => {
    const published = JSON.parse(readFileSync(`${__dirname}/../../docs/profile.schema.json`, 'utf8')) as ReturnType<
      typeof profileJsonSchema
    >;
    expect(published).toEqual(JSON.parse(JSON.stringify(profileJsonSchema())));
    for (const { value, min, max } of Object.values(OFFICE_NUMBERS)) expect(value >= min && value <= max).toBe(true);
  });
});
