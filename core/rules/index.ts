import type { Rule } from './rule';
import sourceJoinedUnits from './source/joined-units';
import sourceOver15kwDisconnect from './source/over-15kw-disconnect';
import sourceSmallPortableCordConnected from './source/small-portable-cord-connected';
import sourceNotFieldAlteredBond from './source/not-field-altered-bond';
import sourceNameplateRead from './source/nameplate-read';
import sourcePlain from './source/plain';
import sourceRatingForFuelAndSite from './source/rating-for-fuel-and-site';
import sourceDeviceWithinFace from './source/device-within-face';
import sourceGfciOnSmallPortable from './source/gfci-on-small-portable';
import sourceVoltsAndHertz from './source/volts-and-hertz';
import source240vLoadsNeed240vSource from './source/240v-loads-need-240v-source';
import sourceBridged120vNoSharedNeutral from './source/bridged-120v-no-shared-neutral';
import sourceNeutralStateProved from './source/neutral-state-proved';
import sitingOutdoors from './siting/outdoors';
import sitingClearOfOpenings from './siting/clear-of-openings';
import sitingRainShelter from './siting/rain-shelter';
import sitingExhaustAway from './siting/exhaust-away';
import sitingPlain from './siting/plain';
import cordEndsMate from './cord/ends-mate';
import cordNoDoublePlug from './cord/no-double-plug';
import cordNoTiedHots from './cord/no-tied-hots';
import cordAmbient from './cord/ambient';
import cordAmpacity from './cord/ampacity';
import cordOutdoorHardUsage from './cord/outdoor-hard-usage';
import cordFourWireFor120240 from './cord/four-wire-for-120-240';
import cordPlain from './cord/plain';
import inletIsMaleInlet from './inlet/is-male-inlet';
import inletRatedForSourceOutlet from './inlet/rated-for-source-outlet';
import inletBreakerNotAboveInlet from './inlet/breaker-not-above-inlet';
import inletPolesAndVolts from './inlet/poles-and-volts';
import inletWetLocationBox from './inlet/wet-location-box';
import inletPlain from './inlet/plain';
import feederAmpacity from './feeder/ampacity';
import feederSmallConductor from './feeder/small-conductor';
import feederNameplate115 from './feeder/nameplate-115';
import feederEquipmentGroundSize from './feeder/equipment-ground-size';
import feederMetalGroundPath from './feeder/metal-ground-path';
import feederNeutralSize from './feeder/neutral-size';
import feederNeutralFullSizeWhenBridged from './feeder/neutral-full-size-when-bridged';
import feederMethodSuitsPlace from './feeder/method-suits-place';
import feederBurialDepth from './feeder/burial-depth';
import feederPhysicalProtection from './feeder/physical-protection';
import feederRacewayFill from './feeder/raceway-fill';
import feederVoltageDrop from './feeder/voltage-drop';
import feederPlain from './feeder/plain';
import breakerNotAboveWeakestLink from './breaker/not-above-weakest-link';
import breakerTwoPoleCommonTrip from './breaker/two-pole-common-trip';
import breakerBothLegs from './breaker/both-legs';
import breakerHeldDown from './breaker/held-down';
import breakerSuitableForBackfeed from './breaker/suitable-for-backfeed';
import breakerListedForPanel from './breaker/listed-for-panel';
import breakerInterruptingRating from './breaker/interrupting-rating';
import breakerPositionForInterlock from './breaker/position-for-interlock';
import breakerPlain from './breaker/plain';
import breakerDisplacedCircuitsInOrder from './breaker/displaced-circuits-in-order';
import transferPresent from './transfer/present';
import transferNoOutletBackfeed from './transfer/no-outlet-backfeed';
import transferPreventsParallel from './transfer/prevents-parallel';
import transferListedForPanel from './transfer/listed-for-panel';
import transferUnaltered from './transfer/unaltered';
import transferFastenedAndTorqued from './transfer/fastened-and-torqued';
import transferRated from './transfer/rated';
import transferCircuitProtection from './transfer/circuit-protection';
import transfer240vCircuitsPaired from './transfer/240v-circuits-paired';
import transfer240vAcrossSourceLegs from './transfer/240v-across-source-legs';
import transferWholeHouse from './transfer/whole-house';
import transferWorksWithoutCover from './transfer/works-without-cover';
import transferSharedNeutralMovedTogether from './transfer/shared-neutral-moved-together';
import transferBoxFill from './transfer/box-fill';
import transferPanelSpliceFill from './transfer/panel-splice-fill';
import transferAutomaticCapacity from './transfer/automatic-capacity';
import transferPlain from './transfer/plain';
import neutralMatrix from './neutral/matrix';
import neutralPlain from './neutral/plain';
import neutralGfciWillHold from './neutral/gfci-will-hold';
import groundingPathContinuous from './grounding/path-continuous';
import groundingFaultOpensDevice from './grounding/fault-opens-device';
import groundingRodSize from './grounding/rod-size';
import groundingPlain from './grounding/plain';
import panelOneMain from './panel/one-main';
import panelOtherSources from './panel/other-sources';
import panelWorkingSpace from './panel/working-space';
import panelNeutralsAndGrounds from './panel/neutrals-and-grounds';
import panelBusRating from './panel/bus-rating';
import panelPlain from './panel/plain';
import labelsInletSystemType from './labels/inlet-system-type';
import labelsGeneratorBreaker from './labels/generator-breaker';
import labelsPlain from './labels/plain';
import functionStepTestComplete from './function/step-test-complete';
import functionDeadPins from './function/dead-pins';
import functionLegsMeasured from './function/legs-measured';
import functionNeutralUnbroken from './function/neutral-unbroken';
import functionPlain from './function/plain';
import loadsEachLegWithinSource from './loads/each-leg-within-source';
import loadsWithinWeakestDevice from './loads/within-weakest-device';
import loadsPlain from './loads/plain';
import loadsSharedNeutralOpensTogether from './loads/shared-neutral-opens-together';
import loadsStartingSurge from './loads/starting-surge';
import loadsSharedNeutralOnTwoLegs from './loads/shared-neutral-on-two-legs';
import loads240vOn120vSource from './loads/240v-on-120v-source';
import loadsSharedNeutralWithinRating from './loads/shared-neutral-within-rating';
import loadsLegBalance from './loads/leg-balance';
import loadsSwitchCircuitLimit from './loads/switch-circuit-limit';

/** Every rule, in the order in which an inspector walks. A new rule is one file, or one entry among a station’s plain questions, and one line here. */
export const RULES: readonly Rule[] = [
  sourceNameplateRead,
  sourceJoinedUnits,
  sourceOver15kwDisconnect,
  sourceSmallPortableCordConnected,
  sourceNotFieldAlteredBond,
  ...sourcePlain,
  sourceRatingForFuelAndSite,
  sourceDeviceWithinFace,
  sourceGfciOnSmallPortable,
  sourceVoltsAndHertz,
  source240vLoadsNeed240vSource,
  sourceBridged120vNoSharedNeutral,
  sourceNeutralStateProved,
  sitingOutdoors,
  sitingClearOfOpenings,
  sitingRainShelter,
  sitingExhaustAway,
  ...sitingPlain,
  cordEndsMate,
  cordNoDoublePlug,
  cordNoTiedHots,
  cordAmpacity,
  cordAmbient,
  cordOutdoorHardUsage,
  cordFourWireFor120240,
  ...cordPlain,
  inletIsMaleInlet,
  inletRatedForSourceOutlet,
  inletBreakerNotAboveInlet,
  inletPolesAndVolts,
  inletWetLocationBox,
  ...inletPlain,
  feederAmpacity,
  feederSmallConductor,
  feederNameplate115,
  feederEquipmentGroundSize,
  feederMetalGroundPath,
  feederNeutralSize,
  feederNeutralFullSizeWhenBridged,
  feederMethodSuitsPlace,
  feederBurialDepth,
  feederPhysicalProtection,
  feederRacewayFill,
  feederVoltageDrop,
  ...feederPlain,
  breakerNotAboveWeakestLink,
  breakerTwoPoleCommonTrip,
  breakerBothLegs,
  breakerHeldDown,
  breakerSuitableForBackfeed,
  breakerListedForPanel,
  breakerInterruptingRating,
  breakerPositionForInterlock,
  breakerDisplacedCircuitsInOrder,
  ...breakerPlain,
  transferPresent,
  transferNoOutletBackfeed,
  transferPreventsParallel,
  transferListedForPanel,
  transferUnaltered,
  transferFastenedAndTorqued,
  transferRated,
  transferCircuitProtection,
  transfer240vCircuitsPaired,
  transfer240vAcrossSourceLegs,
  transferSharedNeutralMovedTogether,
  transferBoxFill,
  transferPanelSpliceFill,
  transferAutomaticCapacity,
  transferWorksWithoutCover,
  ...transferWholeHouse,
  ...transferPlain,
  neutralMatrix,
  ...neutralPlain,
  neutralGfciWillHold,
  groundingPathContinuous,
  groundingFaultOpensDevice,
  groundingRodSize,
  ...groundingPlain,
  panelOneMain,
  panelOtherSources,
  panelWorkingSpace,
  panelNeutralsAndGrounds,
  panelBusRating,
  ...panelPlain,
  labelsInletSystemType,
  labelsGeneratorBreaker,
  ...labelsPlain,
  functionStepTestComplete,
  functionDeadPins,
  functionLegsMeasured,
  functionNeutralUnbroken,
  ...functionPlain,
  loadsEachLegWithinSource,
  loadsWithinWeakestDevice,
  ...loadsPlain,
  loadsStartingSurge,
  loadsSharedNeutralOnTwoLegs,
  loads240vOn120vSource,
  loadsSharedNeutralWithinRating,
  loadsSharedNeutralOpensTogether,
  loadsLegBalance,
  loadsSwitchCircuitLimit,
];

export { rule, type Rule, type Severity, type Finding } from './rule';
