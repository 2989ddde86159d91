/**
 * What a correction touches: the rules that must be proved again before a violation of a rule counts as corrected, whatever was
 * seen there before. A breaker that was changed has new terminals, another hold-down and another handle for the interlock.
 */
const NEW_BREAKER = [
  'breaker/held-down',
  'breaker/listed-for-panel',
  'transfer/prevents-parallel',
  'transfer/fastened-and-torqued',
  'function/step-test-complete',
  'panel/directory-true',
] as const;
const NEW_CONDUCTORS = ['feeder/fastened', 'transfer/fastened-and-torqued', 'grounding/path-continuous', 'function/legs-measured'] as const; // prettier-ignore
const NEW_INLET = ['inlet/pins-dead-when-open', 'inlet/entry-sealed', 'grounding/path-continuous', 'function/dead-pins', 'labels/inlet-system-type'] as const; // prettier-ignore
const NEW_TRANSFER = ['transfer/prevents-parallel', 'transfer/fastened-and-torqued', 'function/step-test-complete', 'panel/cover-fits'] as const; // prettier-ignore
const NEW_BOND = ['neutral/matrix', 'neutral/none-on-ground', 'grounding/path-continuous', 'function/gfci-trips'] as const; // prettier-ignore
const NEW_CORD = ['cord/ends-mate', 'cord/locks-and-pull-tested'] as const;
const MOVED_CIRCUITS = ['loads/each-leg-within-source', 'panel/directory-true'] as const;

export const DEPENDENTS: Readonly<Record<string, readonly string[]>> = {
  'breaker/both-legs': NEW_BREAKER,
  'breaker/displaced-circuits-in-order': ['panel/directory-true', 'panel/cover-fits'],
  'breaker/electronic-marked-for-backfeed': NEW_BREAKER,
  'breaker/held-down': ['panel/cover-fits', 'transfer/prevents-parallel'],
  'breaker/interrupting-rating': NEW_BREAKER,
  'breaker/listed-for-panel': NEW_BREAKER,
  'breaker/not-above-weakest-link': NEW_BREAKER,
  'breaker/position-for-interlock': [...NEW_BREAKER, 'breaker/displaced-circuits-in-order'],
  'breaker/stabs-sound': NEW_BREAKER,
  'breaker/suitable-for-backfeed': NEW_BREAKER,
  'breaker/two-pole-common-trip': NEW_BREAKER,
  'cord/adapter-listed': NEW_CORD,
  'cord/ampacity': NEW_CORD,
  'cord/ends-mate': ['cord/locks-and-pull-tested'],
  'cord/four-wire-for-120-240': NEW_CORD,
  'cord/no-double-plug': [...NEW_CORD, 'inlet/is-male-inlet'],
  'cord/no-tied-hots': [...NEW_CORD, 'function/legs-measured'],
  'feeder/ampacity': NEW_CONDUCTORS,
  'feeder/equipment-ground-size': NEW_CONDUCTORS,
  'feeder/metal-ground-path': ['grounding/path-continuous'],
  'feeder/method-suits-place': NEW_CONDUCTORS,
  'feeder/neutral-size': NEW_CONDUCTORS,
  'feeder/small-conductor': ['transfer/fastened-and-torqued'],
  'feeder/splices-rated': ['transfer/fastened-and-torqued', 'grounding/path-continuous'],
  'grounding/path-continuous': ['function/gfci-trips'],
  'inlet/breaker-not-above-inlet': NEW_BREAKER,
  'inlet/is-male-inlet': NEW_INLET,
  'inlet/poles-and-volts': NEW_INLET,
  'inlet/rated-for-source-outlet': NEW_INLET,
  'inlet/wet-location-box': ['inlet/entry-sealed', 'grounding/path-continuous'],
  'loads/240v-on-120v-source': MOVED_CIRCUITS,
  'loads/shared-neutral-opens-together': MOVED_CIRCUITS,
  'loads/switch-circuit-limit': MOVED_CIRCUITS,
  'neutral/matrix': NEW_BOND,
  'neutral/none-on-ground': ['panel/neutrals-and-grounds', 'neutral/one-bond', 'function/gfci-trips'],
  'neutral/one-bond': NEW_BOND,
  'panel/neutrals-and-grounds': ['neutral/none-on-ground', 'neutral/one-bond'],
  'source/not-field-altered-bond': NEW_BOND,
  'transfer/fastened-and-torqued': ['panel/cover-fits'],
  'transfer/leads-landed': ['transfer/fastened-and-torqued', 'function/step-test-complete'],
  'transfer/listed-for-panel': NEW_TRANSFER,
  'transfer/no-outlet-backfeed': [...NEW_INLET, ...NEW_TRANSFER],
  'transfer/prevents-parallel': ['function/step-test-complete', 'panel/cover-fits', 'transfer/fastened-and-torqued'],
  'transfer/rated': [...NEW_TRANSFER, ...NEW_CONDUCTORS],
  'transfer/unaltered': NEW_TRANSFER,
  'transfer/works-without-cover': NEW_TRANSFER,
};

/** The rules to be proved again once violations of these are corrected, each once and none that is among them. */
export const dependentsOf = (rules: readonly string[]): string[] =>
  [...new Set(rules.flatMap((rule) => DEPENDENTS[rule] ?? []))].filter((one) => !rules.includes(one));
