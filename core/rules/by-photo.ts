import { metaOf } from '../case';
import { RULES, type Rule } from './index';

/** What a photo shows as well as the eye, where the office says nothing else: what a label says, a directory, a closed opening. */
export const BY_PHOTO: readonly string[] = [
  ...RULES.flatMap(({ id, station }) => (station === 'labels' ? [id] : [])),
  'panel/directory-true',
  'panel/openings-closed',
];

const NEVER_STATIONS: readonly Rule['station'][] = ['source', 'transfer', 'neutral', 'grounding', 'loads', 'function'];
/** Bonds, what is tried by hand, and where the interlock has to meet a handle. */
const NEVER_FACTS =
  /bond|neutralsAndGrounds|electrodeConductor|heldDown|pullTested|coAlarms|atInterlock|acrossBothLegs/i;

/** Whether an office may let a photo settle a rule: no hazard, and nothing that is measured, bonded, torqued, tried or moved by hand. */
export const mayBeByPhoto = ({ station, severity, facts }: Rule): boolean =>
  severity !== 'hazard' &&
  !NEVER_STATIONS.includes(station) &&
  facts
    .filter((fact) => fact.startsWith(`${station}.`))
    .every((fact) => metaOf(fact).kind !== 'amount' && !NEVER_FACTS.test(fact));
