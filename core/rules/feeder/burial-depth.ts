import { stretchAt } from '../../case';
import { BURIAL_CITES, BURIAL_IN, METHODS, everyEdition, type BurialColumn, type WiringMethod } from '../../codebook';
import { AHEAD_FACTS, Missing, aheadOfInlet, feedOf, type Look } from '../../electrical';
import { firstOf, holds, rule, violation, withoutFeeder } from '../rule';
import { stretchName, worstStretch } from './worst-stretch';

/** A stretch whose place nobody knows may be underground. */
const mayBeUnderground = (look: Look, index: number) => look.need(stretchAt(index).place) === 'underground';

/** 120 V, 20 A or less with GFCI, on its way to one circuit. */
function small(look: Look): boolean {
  return (
    look.has('singleCircuit') &&
    feedOf(look) === '120' &&
    aheadOfInlet(look).ampsA <= 20 &&
    look.need('source.outletGfci') === 'yes'
  );
}

export default rule({
  id: 'feeder/burial-depth',
  holds: 'Every buried run has the cover that its wiring method and what lies above it ask for.',
  severity: 'correction',
  cites: everyEdition('300.5(A)', '300.5(C)'),
  facts: [
    'inlet.builtIn',
    'transfer.kind', 'transfer.otherKind', ...AHEAD_FACTS, 'source.outletGfci',
    ...['place', 'method', 'burialIn', 'burialUnder', 'burialMarked'].map((key) => `feeder.stretches.${key}`),
  ], // prettier-ignore
  notApplicable: firstOf(withoutFeeder, (look) => {
    let any = false;
    for (let i = 0; i < look.stretches; i++) any = mayBeUnderground(look, i) || any;
    return any ? undefined : 'no run is underground';
  }),
  check: (look) =>
    worstStretch(look, (side, index) => {
      if (!mayBeUnderground(side, index)) return { least: Infinity, finding: holds('Not underground.') };
      const at = stretchAt(index);
      side.needAll(at.method, at.burialIn, at.burialUnder);
      const name = side.need(at.method);
      const method: WiringMethod = METHODS[name];
      const under = side.need(at.burialUnder);
      const coverIn = side.need(at.burialIn);
      if (!method.burial)
        throw new Missing(
          [at.method],
          `The burial table has no column for ${method.label.toLowerCase()}; it may be buried only if its listing says so and how deep.`,
        );
      let column: BurialColumn = method.burial;
      const marked = under === 'building' && method.underBuildingIfMarked && side.need(at.burialMarked) === 'yes';
      const table = marked ? 0 : BURIAL_IN[column][under];
      if (table === undefined)
        return {
          least: -Infinity,
          finding: violation(
            `${method.label} runs under a building outside of a raceway (${stretchName(side, index)}).`,
            'Run it in a raceway that goes beyond the outside walls, or route it around the building.',
          ),
        };
      const smaller = BURIAL_IN['small-gfci'][under];
      if (coverIn < table && smaller !== undefined && smaller < table && column !== 'rigid-metal' && small(side))
        column = 'small-gfci';
      const leastIn = side.step(
        column === 'small-gfci' ? 'Least cover, 120 V, 20 A or less with GFCI' : `Least cover, ${name}`,
        column === 'small-gfci' ? BURIAL_IN[column][under]! : table,
        'in',
        BURIAL_CITES,
      );
      const detail = { found: coverIn, allowed: leastIn, unit: 'in' };
      const words = `${coverIn} in of cover (${stretchName(side, index)}), ${leastIn} in needed.`;
      const other = BURIAL_IN['rigid-metal'][under]!;
      return {
        least: coverIn - leastIn,
        finding:
          coverIn >= leastIn
            ? holds(words, detail)
            : violation(
                words,
                coverIn >= other && other < leastIn
                  ? `Bury it ${leastIn} in deep, or run it in rigid metal conduit, which may lie at ${other} in.`
                  : `Bury it ${leastIn} in deep.`,
                detail,
              ),
      };
    }),
});
