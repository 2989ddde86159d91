import { CATALOGUE, factAt, withFact, withRecorded, type FactPath } from '../case';
import { RULES } from '../rules';
import { BRIDGED, CORDS_ONLY, GOOD, SINGLE, SWITCH, at, caseWith, type Facts } from '../test/rule-table';
import { evaluate } from '../verdict';
import { CONTRADICTIONS } from '.';

const standing = (facts: Facts) => evaluate(caseWith(facts)).contradictions;
const ids = (facts: Facts) => standing(facts).map((one) => one.id);

const BONDED: Facts = { 'source.neutralBond': 'bonded', 'source.neutralFrameOhm': 0.3 };
const STATION_UNIT: Facts = { 'source.kind': 'power-station', 'source.fuel': 'battery', 'siting.place': 'indoors' };
const SMALL: Facts = { 'source.outlet': '5-20', 'source.outletGfci': 'yes' };
const AUTOMATIC: Facts = { 'transfer.kind': 'whole-house-automatic', 'transfer.mechanism': 'automatic' };
const PAIR: Facts = {
  ...at('loads.circuits[0]', { neutralGroup: 'a', paired: 'yes', slot: 5, metal: 'copper' }),
  ...at('loads.circuits[1]', { neutralGroup: 'a', paired: 'yes', slot: 7, metal: 'copper' }),
};
const ATTIC: Facts = { 'feeder.stretches[0].place': 'attic', 'feeder.stretches[0].ambientF': 79, 'source.airF': 95 };
const PIPE: Facts = at('feeder.stretches[0]', { method: 'EMT', insulation: 'THWN-2', racewayIn: '1' });
const WATTS = 'loads.circuits[0].startingW';

/** Facts under which each stands, with those that it doubts; and facts beside them under which it does not. */
const TABLE: readonly (readonly [id: string, stands: Facts, doubts: readonly FactPath[], not: readonly Facts[]])[] = [
  ['source/kind-and-fuel', { 'source.kind': 'power-station' }, ['source.kind', 'source.fuel'], [STATION_UNIT, { 'source.kind': undefined }, { 'source.fuel': 'propane' }]],
  ['source/kind-and-fuel', { 'source.fuel': 'battery' }, ['source.kind', 'source.fuel'], [{ 'source.kind': undefined, 'source.fuel': 'battery' }]],
  ['source/stations-paired', { 'source.units': 'paired-stations' }, ['source.units', 'source.kind'], [{ ...STATION_UNIT, 'source.units': 'paired-stations' }, { 'source.units': 'parallel-split' }]],
  ['source/starting-below-running', { 'source.startingW': 6999 }, ['source.startingW', 'source.runningW'], [{ 'source.startingW': 7000 }]],
  ['source/more-here-than-rated', { 'source.makerSiteW': 7001 }, ['source.makerSiteW', 'source.runningW'], [{ 'source.makerSiteW': 7000 }, { ...STATION_UNIT, 'source.makerSiteW': 7001 }]],
  ['source/bond-and-meter', { 'source.neutralFrameOhm': 1 }, ['source.neutralBond', 'source.neutralFrameOhm'], [{ 'source.neutralFrameOhm': 1.1 }, BONDED]],
  ['source/bond-and-meter', { ...BONDED, 'source.neutralFrameOhm': 100_000 }, ['source.neutralBond', 'source.neutralFrameOhm'], [{ ...BONDED, 'source.neutralFrameOhm': 99_999 }, { ...BONDED, 'source.neutralFrameOhm': 100_000, 'source.hotFrameV': 100 }]],
  ['source/bond-and-meter', { ...BONDED, 'source.neutralFrameOhm': 1_000_000, 'source.hotFrameV': 99 }, ['source.neutralBond', 'source.neutralFrameOhm', 'source.hotFrameV'], []],
  ['source/bond-as-changed', { 'source.bondAltered': 'jumper' }, ['source.neutralBond', 'source.bondAltered'], [{ ...BONDED, 'source.bondAltered': 'jumper' }, { 'source.bondAltered': 'removed' }, { ...CORDS_ONLY, 'source.bondAltered': 'jumper' }]],
  ['source/bond-as-changed', { 'source.bondAltered': 'plug' }, ['source.neutralBond', 'source.bondAltered'], []],
  ['source/bond-as-changed', { ...BONDED, 'source.bondAltered': 'removed' }, ['source.neutralBond', 'source.bondAltered'], []],
  ['source/receptacle-in-use', { ...SMALL, 'source.receptacles120': 'none-fitted' }, ['source.outlet', 'source.receptacles120'], [{ 'source.receptacles120': 'none-fitted' }, SMALL, { 'source.outlet': 'L5-30', 'source.receptacles120': 'none-fitted' }]],
  ['source/gfci-of-the-one-in-use', { ...SMALL, 'source.outletGfci': 'no' }, ['source.outletGfci', 'source.receptacles120'], [{ ...SMALL, 'source.outletGfci': 'no', 'source.receptacles120': 'some-unprotected' }, { 'source.outletGfci': 'no' }]],
  ['source/permanent-with-a-cord', { 'source.connection': 'permanent' }, ['source.connection', 'cord[0].sourceEnd'], [{ 'source.connection': 'permanent', cord: undefined } as Facts]],
  ['source/no-device-with-a-rating', { 'source.outletDevice': 'none' }, ['source.outletDevice', 'source.outletBreakerA'], [{ 'source.outletDevice': 'none', 'source.outletBreakerA': undefined }]],
  ['cord/shorter-than-its-way', { 'cord[0].run': 'through-wall' }, ['siting.openingFt', 'cord[0].run', 'cord[0].lengthFt'], [{ 'cord[0].run': 'through-wall', 'cord[0].lengthFt': 25 }, { 'cord[0].run': 'through-wall', 'cord[0].lengthFt': undefined }, { ...STATION_UNIT, 'cord[0].run': 'through-wall' }]],
  ['cord/shorter-than-its-way', { 'cord[0].run': 'through-wall', 'siting.openingFt': 25, 'cord[0].lengthFt': 24.5 }, ['siting.openingFt', 'cord[0].run', 'cord[0].lengthFt'], []],
  ['inlet/indoors-and-cord-free', { 'inlet.box': 'dry' }, ['inlet.box', 'cord[0].run'], [{ 'inlet.box': 'dry', cord: undefined } as Facts, { 'inlet.box': 'dry', ...at('cord[1]', { part: 'cord', run: 'through-wall', lengthFt: 100 }) }, { ...STATION_UNIT, 'inlet.box': 'dry' }, { 'inlet.box': 'dry', 'cord[0].run': 'fastened' }, { 'inlet.box': 'dry', 'siting.place': 'garage' }]],
  ['inlet/dead-and-live', { 'function.pinsV': 28 }, ['inlet.pinsDead', 'function.pinsV'], [{ 'function.pinsV': 3 }, { 'function.pinsV': 28, 'function.pinsLowZV': 0 }, { 'function.pinsV': 28, 'function.pinsLowZV': 3 }, { 'function.pinsV': 28, 'inlet.pinsDead': 'no' }]],
  ['inlet/dead-and-live', { 'function.pinsV': 28, 'function.pinsLowZV': 24 }, ['inlet.pinsDead', 'function.pinsLowZV'], []],
  ['feeder/attic-cooler-than-the-air', { ...ATTIC, 'feeder.stretches[0].conditioned': undefined }, ['feeder.stretches[0].ambientF', 'source.airF'], [{ ...ATTIC, 'feeder.stretches[0].conditioned': 'yes' }, { ...ATTIC, 'feeder.stretches[0].ambientF': 95 }, { ...ATTIC, 'feeder.stretches[0].place': 'wall' }]],
  ['feeder/attic-cooler-than-the-air', { ...ATTIC, 'feeder.stretches[0].conditioned': 'no' }, ['feeder.stretches[0].ambientF', 'source.airF'], []],
  ['feeder/more-carry-than-are-there', { ...PIPE, ...at('feeder.stretches[0]', { otherCarrying: 4, othersInRaceway: 3 }) }, ['feeder.stretches[0].otherCarrying', 'feeder.stretches[0].othersInRaceway'], [{ ...PIPE, ...at('feeder.stretches[0]', { otherCarrying: 3, othersInRaceway: 3 }) }]],
  ['breaker/one-pole-on-two-legs', { 'breaker.construction': 'single' }, ['breaker.construction', 'breaker.acrossBothLegs'], [{ 'breaker.construction': 'single', 'breaker.acrossBothLegs': 'no' }]],
  ['transfer/less-transfers-than-is-planned', { ...AUTOMATIC, 'transfer.transferredW': 1299 }, ['transfer.transferredW', 'loads.circuits[0].runningW', 'loads.circuits[1].runningW'], [{ ...AUTOMATIC, 'transfer.transferredW': 1300 }, { 'transfer.transferredW': 100 }]],
  ['neutral/switched-by-nothing', { 'neutral.switched': 'yes', 'neutral.pole': undefined }, ['neutral.switched'], [{ 'neutral.switched': 'yes', 'neutral.pole': 'yes' }]],
  ['neutral/switched-by-nothing', { ...SWITCH, 'neutral.switched': 'yes', 'neutral.pole': 'no' }, ['neutral.switched', 'neutral.pole'], [{ ...SWITCH, 'neutral.switched': 'yes', 'neutral.pole': undefined }, { ...SINGLE, 'neutral.switched': 'yes', 'neutral.pole': 'no' }]],
  ['neutral/switched-by-nothing', { 'transfer.kind': 'whole-house-manual', 'transfer.location': 'meter', 'neutral.switched': 'yes' }, ['neutral.switched'], [{ 'transfer.kind': 'whole-house-manual', 'transfer.location': 'first', 'neutral.switched': 'yes' }]],
  ['neutral/bond-of-the-derived-system', { ...BONDED, ...SWITCH, 'neutral.switched': 'yes', 'neutral.derivedBond': 'none' }, ['source.neutralBond', 'neutral.derivedBond'], [{ ...BONDED, ...SWITCH, 'neutral.switched': 'yes', 'neutral.derivedBond': 'source' }, { ...BONDED, ...SWITCH, 'neutral.switched': 'yes', 'neutral.derivedBond': 'house' }]],
  ['neutral/bond-of-the-derived-system', { ...SWITCH, 'neutral.switched': 'yes', 'neutral.derivedBond': 'both' }, ['source.neutralBond', 'neutral.derivedBond'], [{ ...SWITCH, 'neutral.switched': 'yes', 'neutral.derivedBond': 'none' }, { ...SWITCH, 'source.neutralBond': undefined, 'neutral.switched': 'yes', 'neutral.derivedBond': 'both' }]],
  ['neutral/bonded-twice-and-nothing-on-the-ground', { ...BONDED, 'function.groundA': 0.04 }, ['source.neutralBond', 'neutral.switched', 'function.groundA'], [{ ...BONDED, 'function.groundA': 0.05 }, { ...BONDED, 'grounding.frameToPanelOhm': 1_000_000 }]],
  ['loads/furnace-on-a-cord', { ...CORDS_ONLY, 'loads.circuits[0].use': 'furnace' }, ['loads.circuits[0].use', 'transfer.backfeedsOutlet'], [{ ...CORDS_ONLY, 'loads.circuits[0].use': 'furnace', 'loads.circuits[0].ownPlug': 'yes' }, { 'loads.circuits[0].use': 'furnace' }, { ...CORDS_ONLY, 'loads.circuits[0].use': 'furnace', 'loads.circuits[0].plan': 'off' }]],
  ['loads/start-not-above-running', { [WATTS]: 700 }, [WATTS, 'loads.circuits[0].runningW'], [{ [WATTS]: 701 }, { [WATTS]: 700, 'loads.circuits[0].softStart': 'yes' }, { [WATTS]: 700, 'loads.circuits[0].plan': 'off' }, { [WATTS]: 700, 'loads.circuits[0].use': 'lights' }]],
  ['loads/unfused-with-a-breaker', { ...SWITCH, 'loads.circuits[0].switchBreakerA': 15, 'loads.circuits[0].unfused': 'yes' }, ['loads.circuits[0].unfused', 'loads.circuits[0].switchBreakerA'], [{ ...SWITCH, 'loads.circuits[0].switchBreakerA': 15 }, { ...SWITCH, 'loads.circuits[0].switchBreakerA': 15, 'loads.circuits[0].unfused': 'no' }, { ...SWITCH, 'loads.circuits[0].unfused': 'yes', 'loads.circuits[0].switchBreakerA': undefined }, { 'loads.circuits[0].switchBreakerA': 15, 'loads.circuits[0].unfused': 'yes' }]],
  ['loads/one-slot-twice', { 'loads.circuits[0].volts': '240' }, ['loads.circuits[0].slot', 'loads.circuits[0].volts', 'loads.circuits[1].slot'], [{ 'loads.circuits[0].volts': '240', 'loads.circuits[1].slot': 9 }, { 'loads.circuits[0].volts': '240', 'loads.circuits[1].slot': 3 }]],
  ['loads/tied-and-apart', { ...PAIR, 'loads.circuits[1].slot': 8 }, ['loads.circuits[0].paired', 'loads.circuits[0].slot', 'loads.circuits[1].paired', 'loads.circuits[1].slot'], [PAIR, { ...PAIR, ...SWITCH, 'loads.circuits[1].slot': 8 }, { ...PAIR, 'loads.circuits[1].slot': 8, 'loads.circuits[1].paired': 'no' }]],
  ['loads/tied-and-apart', { ...PAIR, 'loads.circuits[0].slot': 8, 'loads.circuits[1].slot': 5 }, ['loads.circuits[0].paired', 'loads.circuits[0].slot', 'loads.circuits[1].paired', 'loads.circuits[1].slot'], [{ ...PAIR, 'loads.circuits[0].slot': 7, 'loads.circuits[1].slot': 5 }]],
  ['loads/one-pole-on-two-handles', { ...SWITCH, 'loads.circuits[0].sourceLeg': 'both' }, ['loads.circuits[0].sourceLeg', 'loads.circuits[0].volts'], [{ ...SWITCH, 'loads.circuits[0].sourceLeg': 'both', 'loads.circuits[0].volts': '240', 'loads.circuits[1].slot': 9 }]],
  ['function/loaded-leg-reads-higher', { 'function.loadOn': 'A', 'function.legAV': 123, 'function.legBV': 120, 'function.otherLegAV': 120, 'function.otherLegBV': 120 }, ['function.loadOn', 'function.legAV', 'function.legBV'], [{ 'function.loadOn': 'A', 'function.legAV': 122, 'function.legBV': 120, 'function.otherLegAV': 120, 'function.otherLegBV': 120 }]],
  ['function/loaded-leg-reads-higher', { 'function.loadOn': 'B', 'function.legAV': 120, 'function.legBV': 120, 'function.otherLegAV': 123, 'function.otherLegBV': 120 }, ['function.loadOn', 'function.otherLegAV', 'function.otherLegBV'], [{ 'function.loadOn': undefined, 'function.legAV': 120, 'function.legBV': 123, 'function.otherLegAV': 120, 'function.otherLegBV': 120 }]],
]; // prettier-ignore

test.each(TABLE)('%s stands, and only where both are recorded so', (id, stands, doubts, not) => {
  const found = standing(stands).filter((one) => one.id === id);
  expect(found.map(({ facts }) => facts)).toEqual([doubts]);
  const site = caseWith(stands);
  // The sentence names every record in doubt with its value.
  for (const path of doubts) expect([path, found[0]!.sentence]).toEqual([path, expect.stringContaining(CATALOGUE.get(path.replace(/\[\d+\]/g, ''))!.label)]); // prettier-ignore
  for (const facts of not) expect([facts, ids(facts).includes(id)]).toEqual([facts, false]);
  // Nothing holds, and nothing fails to apply, by what is in doubt; nothing is approved.
  const { outcomes, verdict } = evaluate(site);
  expect(verdict).not.toBe('nothing-against');
  expect(outcomes.find((one) => one.rule === id)).toMatchObject({ outcome: 'unproven', reason: found[0]!.sentence });
  for (const one of outcomes)
    if (one.outcome === 'holds' || one.outcome === 'not-applicable') {
      const used = one.working.map(({ label }) => label);
      const own = doubts.filter((path) => RULES.some((rule) => rule.id === one.rule && rule.facts.includes(path)));
      for (const path of own) expect([one.rule, used]).toEqual([one.rule, expect.not.arrayContaining([CATALOGUE.get(path)!.label])]); // prettier-ignore
    }
});

test('the table has every contradiction, and each has doubts of the catalogue', () => {
  expect([...new Set(TABLE.map(([id]) => id))].sort()).toEqual(CONTRADICTIONS.map(({ id }) => id).sort());
  for (const { doubts, given = [], ends } of CONTRADICTIONS)
    for (const key of [...doubts, ...given, ...(ends ? [ends] : [])]) expect([key, CATALOGUE.has(key)]).toEqual([key, true]); // prettier-ignore
  for (const [id, , doubts] of TABLE) {
    const declared = CONTRADICTIONS.find((one) => one.id === id)!.doubts;
    expect(doubts.filter((path) => !declared.includes(path.replace(/\[\d+\]/g, '')))).toEqual([]);
  }
});

test('no sound house has one, bridged or not', () => {
  expect(ids({})).toEqual([]);
  expect(ids(BRIDGED)).toEqual([]);
});

test('violations stay while a record is in doubt', () => {
  const outcomes = evaluate(caseWith({ 'source.neutralFrameOhm': 0.4, 'breaker.heldDown': 'no' })).outcomes;
  const kinds = Object.fromEntries(outcomes.map((one) => [one.rule, one.outcome]));
  expect([kinds['breaker/held-down'], kinds['neutral/matrix']]).toEqual(['violation', 'unproven']);
});

test('how each was recorded is said; what was looked at again is asked for no more, and the contradiction stands', () => {
  const path = 'source.neutralFrameOhm';
  const doubted = caseWith({ [path]: 0.4 });
  const metered = withRecorded(doubted, path, { how: 'meter', at: '2026-12-01T10:00:00Z', by: 'Ilse O’Harrow' });
  const [one] = evaluate(metered).contradictions;
  expect(one!.sentence).toContain('Neutral to frame, measured: 0.4 Ω (by a meter, Ilse O’Harrow)');
  expect(one!.unconfirmed).toEqual(['source.neutralBond', path]);
  const again = withRecorded(metered, path, { how: 'again', at: '2026-12-01T10:05:00Z', by: 'Ilse O’Harrow' });
  expect(evaluate(again).contradictions[0]).toMatchObject({ unconfirmed: ['source.neutralBond'] });
});

test('what may end it is asked for with it, until somebody has looked', () => {
  const facts = { ...BONDED, 'source.neutralFrameOhm': 1_000_000, 'source.hotFrameV': undefined };
  expect(standing(facts)[0]).toMatchObject({ ends: 'source.hotFrameV' });
  expect(evaluate(caseWith(facts)).outcomes.find((one) => one.rule === 'source/neutral-state-proved')!.needs).toContain(
    'source.hotFrameV',
  );
  expect(standing({ ...facts, 'source.hotFrameV': 'not-seen' })[0]).toMatchObject({ ends: null });
  expect(ids({ ...facts, 'source.hotFrameV': 120, 'function.groundA': 6 })).toEqual([]);
});

test('no answer alone of the good house makes a contradiction with itself', () => {
  for (const key of CATALOGUE.keys()) if (factAt(GOOD, key) !== undefined) expect(evaluate(withFact(GOOD, key, 'not-seen')).contradictions).toEqual([]); // prettier-ignore
});
