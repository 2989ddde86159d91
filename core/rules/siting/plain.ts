import { everyEdition } from '../../codebook';
import { asked, firstOf, holds, rule, violation, type Rule } from '../rule';
import { noExhaust } from './exhaust';

const common = { cites: everyEdition('listing', 'guidance'), notApplicable: noExhaust, also: ['source.kind'] } as const;

/** Least distance of a regulator's vent from what may ignite its gas, ft. */
const REGULATOR_FT = 3;
/** Not applicable where it does not run on gas. */
const onGas = firstOf(noExhaust, (look) =>
  ['propane', 'natural-gas'].includes(look.need('source.fuel')) ? undefined : 'it does not run on gas',
);

export default [
  asked({
    ...common,
    id: 'siting/co-alarms',
    holds: 'CO alarms stand inside, and sound when tested.',
    severity: 'correction',
    fact: 'siting.coAlarms',
    right: 'yes',
    good: 'CO alarms are there and sound.',
    bad: 'No working CO alarm inside.',
    remedy: 'Fit CO alarms outside each sleeping area and on every floor, with batteries.',
  }),
  asked({
    ...common,
    id: 'siting/fuel-away',
    holds: 'Fuel is kept away from the running source and from every flame.',
    severity: 'correction',
    fact: 'siting.fuelAway',
    right: 'yes',
    good: 'Fuel stands apart, outdoors.',
    bad: 'Fuel stands beside the running source or near a flame.',
    remedy: 'Let the source cool, then move the fuel away from it, outdoors; never fill it while it runs or is hot.',
  }),
  asked({
    ...common,
    id: 'siting/nothing-burns',
    holds: 'Nothing that burns stands near the exhaust.',
    severity: 'correction',
    fact: 'siting.nothingBurns',
    right: 'yes',
    good: 'Nothing that burns is near.',
    bad: 'Siding, grass or something else that burns is near the exhaust.',
    remedy: 'Move the source, or clear the place in front of its muffler as far as the maker says.',
  }),
  asked({
    ...common,
    id: 'siting/gas-fit',
    holds: 'Gas hose, regulator and pipe suit the source: its listing and the fuel-gas code.',
    severity: 'correction',
    cites: everyEdition('listing', 'guidance'),
    not: 'Leaks and pressures: whoever answers for the gas tests them.',
    notApplicable: onGas,
    also: ['source.kind', 'source.fuel'],
    fact: 'siting.gasFit',
    right: 'yes',
    good: 'Hose, regulator and pipe fit.',
    bad: 'Hose, regulator or pipe is not what the listing and the fuel-gas code ask for.',
    remedy: 'Have them fitted by somebody licensed for gas; until then this source runs on another fuel or not at all.',
  }),
  rule({
    id: 'siting/regulator-clear',
    holds: 'The gas regulator vents 3 ft or more from every source of ignition.',
    severity: 'correction',
    cites: everyEdition('listing', 'guidance'),
    not: 'What the fuel-gas code and the utility ask beyond it.',
    facts: ['source.kind', 'source.fuel', 'siting.regulatorFt'],
    notApplicable: onGas,
    check: (look) => {
      const found = look.need('siting.regulatorFt');
      const allowed = look.step('Least distance of the vent', REGULATOR_FT, 'ft', 'guidance');
      const detail = { found, allowed, unit: 'ft' };
      return found >= allowed
        ? holds(`${found} ft from the vent.`, detail)
        : violation(
            `${found} ft from the regulator’s vent to a source of ignition, ${allowed} ft needed.`,
            'Move source or regulator; whoever is licensed for gas does it.',
            detail,
          );
    },
  }),
  asked({
    ...common,
    id: 'siting/firm-level-base',
    holds: 'It stands on a firm, level base.',
    severity: 'advisory',
    fact: 'siting.firmBase',
    right: 'yes',
    good: 'Firm and level.',
    bad: 'The base is soft or tilted; oil starves and the source wanders.',
    remedy: 'Put it on a level pad that will not sink.',
  }),
] satisfies Rule[];
