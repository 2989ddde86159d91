import { readFileSync, readdirSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020';
import { OFFICE_NUMBERS } from '../codebook';
import { GOOD, caseWith, example } from '../test/rule-table';
import { evaluate, type Outcome } from '../verdict';
import { withFact, type Case } from '../case';
import { parseProfile, profileJsonSchema, type Profile } from '.';

const folder = `${__dirname}/../../profiles`;
const read = (name: string): Profile => {
  const result = parseProfile(readFileSync(`${folder}/${name}.json`, 'utf8'));
  if (!result.ok) throw new Error(result.errors.join('\n'));
  return result.profile;
};
const STRICT = read('strict-office');
const LENIENT = read('lenient-office');
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
    expect(evaluate(c, { profile: STRICT }).verdict).toBe('do-not-energise');
    expect(under(c, LENIENT, 'transfer/works-without-cover')).toMatchObject({ severity: 'advisory', changedBy: null });
  });

  test('number: 8 ft from a window is advice by our numbers, a violation by the strict office’s', () => {
    const c = caseWith({ 'siting.openingFt': 8 });
    expect(evaluate(c).outcomes.find((one) => one.rule === 'siting/clear-of-openings')).toMatchObject({
      severity: 'advisory',
      changedBy: null,
    });
    const strict = under(c, STRICT, 'siting/clear-of-openings');
    expect(strict).toMatchObject({ outcome: 'violation', severity: 'correction', allowed: 10 });
    expect(strict.changedBy).toContain('Least distance of exhaust to an opening: 10 ft');
    expect(strict.working).toContainEqual(expect.objectContaining({ value: 10, source: 'local profile' }));
  });

  test('citation: the office’s own stands in place of ours', () => {
    const c = example('case-9-rod-half-inch');
    expect(under(c, LENIENT, 'grounding/rod-size')).toMatchObject({
      cites: ['County Rule 3'],
      changedBy: expect.stringContaining('own citation') as unknown as string,
    });
    expect(under(c, STRICT, 'grounding/rod-size').cites).toEqual(['250.52(A)(5)']);
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
      withFact(withFact(GOOD, 'local', { installer, 'permit-posted': posted, 'fuel-store': 'no' }), 'title', undefined);
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
    ['a later version', { version: 2 }, 'version: right would be 1'],
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
      { rules: { 'breaker/held-down': { colour: 'red', reason: 'x' } } },
      'colour is nothing that a profile can change',
    ],
    ['a number that is none', { numbers: { leastOpening: 3 } }, 'nearest is'],
    ['a number out of bounds', { numbers: { leastOpeningFt: -1 } }, 'leastOpeningFt: -1 is outside 0 to 100 ft'],
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
    ['a stray key', { colour: 'red' }, 'colour is nothing that a profile has'],
    ['an installer that is none', { installers: 'anybody' }, 'right would be one of licensed, owner-with-permit'],
  ])('%s', (_, change, sentence) => {
    const text = typeof change === 'string' ? change : JSON.stringify({ ...good, ...change });
    const result = parseProfile(text);
    expect(result.ok ? [] : result.errors).toEqual(expect.arrayContaining([expect.stringContaining(sentence)]));
    if (typeof change !== 'string' && !sentence.includes('same id')) expect(validate(JSON.parse(text))).toBe(false);
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
