/** What is offered when a house is opened: the connection, as the eye tells it. */
export const TRANSFER_KINDS = {
  'retrofit-interlock': 'Interlock on the panel',
  'load-side-switch': 'Load-side transfer switch',
  'transfer-panel': 'Transfer panel',
  'whole-house-manual': 'Whole-house switch, manual',
  'whole-house-automatic': 'Whole-house switch, automatic',
  'single-circuit-switch': 'Single-circuit switch with inlet',
  'none-cords': 'None: extension cords only',
  'none-backfed': 'None: house backfed',
  other: 'Something else',
} as const;
export type TransferKind = keyof typeof TRANSFER_KINDS;

/** What hangs on the kind of a connection: told here and nowhere else. */
interface Traits {
  /** The house hangs on the source, by right or not; otherwise appliances hang on cords. */
  readonly wired: boolean;
  /** Something keeps source and utility apart, fed through an inlet by a feeder. */
  readonly inlet: boolean;
  /** It feeds a bus through a breaker that works backwards. */
  readonly backfedBreaker: boolean;
  /** It hangs on the house's own panel, and works on the handles of its breakers. */
  readonly onPanel: boolean;
  /** Circuits were taken off the house's panel and put on it. */
  readonly movedCircuits: boolean;
  /** It is a panel of its own, with bars of its own; the house's panel feeds it, and the source never reaches that one. */
  readonly ownPanel: boolean;
  /** Those circuits are spliced to its leads. */
  readonly splicedIn: boolean;
  /** It has a handle for each pole of each circuit, so that a circuit takes a leg of the source by its handle. */
  readonly handlePerPole: boolean;
  /** It is one handle between a single circuit and its load, and takes that circuit's neutral along. */
  readonly singleCircuit: boolean;
  /** It carries all that the utility feeds. */
  readonly wholeHouse: boolean;
  /** It goes over by itself; nobody chooses the load, and no hand moves it. */
  readonly automatic: boolean;
  /** Both legs of the source go to the house. */
  readonly bothLegs: boolean;
  /** The source feeds the bus of the house's panel, and so meets whatever else stands on it. */
  readonly feedsHouseBus: boolean;
  /** Breakers that nobody planned hang on the same bus, and are on unless somebody switches them off. */
  readonly wholeBusOnSource: boolean;
  /** It needs a working space of its own. */
  readonly ownSpace: boolean;
}
export type Trait = keyof Traits;

const NOTHING: Traits = {
  wired: false,
  inlet: false,
  backfedBreaker: false,
  onPanel: false,
  movedCircuits: false,
  ownPanel: false,
  splicedIn: false,
  handlePerPole: false,
  singleCircuit: false,
  wholeHouse: false,
  automatic: false,
  bothLegs: false,
  feedsHouseBus: false,
  wholeBusOnSource: false,
  ownSpace: false,
};
const EQUIPMENT: Traits = { ...NOTHING, wired: true, inlet: true, bothLegs: true };

/** The traits of each kind. Of what is none of these nothing is told: whatever asks for a trait is unproven there. */
const TRAITS: Readonly<Partial<Record<string, Traits>>> = {
  'retrofit-interlock': {
    ...EQUIPMENT,
    backfedBreaker: true,
    onPanel: true,
    feedsHouseBus: true,
    wholeBusOnSource: true,
  },
  'load-side-switch': { ...EQUIPMENT, movedCircuits: true, splicedIn: true, handlePerPole: true, ownSpace: true },
  'transfer-panel': { ...EQUIPMENT, backfedBreaker: true, movedCircuits: true, ownPanel: true, ownSpace: true },
  'whole-house-manual': { ...EQUIPMENT, wholeHouse: true, feedsHouseBus: true, wholeBusOnSource: true, ownSpace: true },
  'whole-house-automatic': { ...EQUIPMENT, wholeHouse: true, automatic: true, feedsHouseBus: true, ownSpace: true },
  'single-circuit-switch': { ...EQUIPMENT, bothLegs: false, movedCircuits: true, splicedIn: true, singleCircuit: true },
  'none-cords': NOTHING,
  'none-backfed': { ...NOTHING, wired: true, feedsHouseBus: true },
} satisfies Partial<Record<TransferKind, Traits>>;

/** Whether a kind has a trait; undefined while the kind is unknown, or its traits are not told. */
export const traitOf = (kind: unknown, trait: Trait): boolean | undefined =>
  typeof kind === 'string' && Object.hasOwn(TRAITS, kind) ? TRAITS[kind]![trait] : undefined;
