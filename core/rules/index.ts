import type { Rule } from './rule';
import sitingOutdoors from './siting/outdoors';
import sitingClearOfOpenings from './siting/clear-of-openings';
import cordEndsMate from './cord/ends-mate';
import cordNoDoublePlug from './cord/no-double-plug';
import cordAmpacity from './cord/ampacity';
import inletIsMaleInlet from './inlet/is-male-inlet';
import inletRatedForSourceOutlet from './inlet/rated-for-source-outlet';
import inletBreakerNotAboveInlet from './inlet/breaker-not-above-inlet';
import feederAmpacity from './feeder/ampacity';
import feederSmallConductor from './feeder/small-conductor';
import feederEquipmentGroundSize from './feeder/equipment-ground-size';
import feederVoltageDrop from './feeder/voltage-drop';
import breakerNotAboveWeakestLink from './breaker/not-above-weakest-link';
import breakerTwoPoleCommonTrip from './breaker/two-pole-common-trip';
import breakerBothLegs from './breaker/both-legs';
import breakerHeldDown from './breaker/held-down';
import breakerSuitableForBackfeed from './breaker/suitable-for-backfeed';
import breakerListedForPanel from './breaker/listed-for-panel';
import breakerInterruptingRating from './breaker/interrupting-rating';
import breakerPositionForInterlock from './breaker/position-for-interlock';
import breakerDisplacedCircuitsInOrder from './breaker/displaced-circuits-in-order';
import transferPresent from './transfer/present';
import transferNoOutletBackfeed from './transfer/no-outlet-backfeed';
import transferListedForPanel from './transfer/listed-for-panel';
import transferUnaltered from './transfer/unaltered';
import neutralMatrix from './neutral/matrix';
import labelsInletSystemType from './labels/inlet-system-type';
import labelsGeneratorBreaker from './labels/generator-breaker';

/** Every rule, in the order in which an inspector walks. A new rule is one file and one line here. */
export const RULES: readonly Rule[] = [
  sitingOutdoors,
  sitingClearOfOpenings,
  cordEndsMate,
  cordNoDoublePlug,
  cordAmpacity,
  inletIsMaleInlet,
  inletRatedForSourceOutlet,
  inletBreakerNotAboveInlet,
  feederAmpacity,
  feederSmallConductor,
  feederEquipmentGroundSize,
  feederVoltageDrop,
  breakerNotAboveWeakestLink,
  breakerTwoPoleCommonTrip,
  breakerBothLegs,
  breakerHeldDown,
  breakerSuitableForBackfeed,
  breakerListedForPanel,
  breakerInterruptingRating,
  breakerPositionForInterlock,
  breakerDisplacedCircuitsInOrder,
  transferPresent,
  transferNoOutletBackfeed,
  transferListedForPanel,
  transferUnaltered,
  neutralMatrix,
  labelsInletSystemType,
  labelsGeneratorBreaker,
];

export type { Rule, Severity, Finding } from './rule';
