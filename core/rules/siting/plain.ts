import { everyEdition } from '../../codebook';
import { asked, type Rule } from '../rule';
import { noExhaust } from './exhaust';

const common = { cites: everyEdition('listing', 'guidance'), notApplicable: noExhaust, also: ['source.kind'] } as const;

export default [
  asked({
    ...common,
    id: 'siting/exhaust-away',
    holds: 'The exhaust points away from the house.',
    severity: 'hazard',
    fact: 'siting.exhaustAway',
    right: 'yes',
    good: 'The muffler points away from the house.',
    bad: 'The muffler points at the house; the gas is drawn in.',
    remedy: 'Turn the source so that its muffler points away from every opening.',
  }),
  asked({
    ...common,
    id: 'siting/co-alarms',
    holds: 'CO alarms stand inside, and sound when tested.',
    severity: 'advisory',
    fact: 'siting.coAlarms',
    right: 'yes',
    good: 'CO alarms are there and sound.',
    bad: 'No working CO alarm inside.',
    remedy: 'Fit CO alarms outside each sleeping area and on every floor, with batteries.',
  }),
  asked({
    ...common,
    id: 'siting/rain-shelter',
    holds: 'It is sheltered from rain without trapping its exhaust.',
    severity: 'advisory',
    fact: 'siting.shelter',
    right: 'suitable',
    good: 'Sheltered, and open to the air.',
    bad: 'It stands in the rain, or its shelter traps the exhaust.',
    remedy: 'Give it a shelter made for running generators, open on all sides; never a shed or a tarpaulin.',
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
