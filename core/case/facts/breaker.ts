import { OFFICE_NUMBERS } from '../../codebook';
import { amount, choice, yesNo } from '../fact';
import { device, station, withTrait } from '../parts';

export const breaker = station({
  ratingA: device('Breaker rating', 'read the number on the handle', [30, 50, 20, 40, 60, 25, 15]),
  construction: choice(
    {
      'common-trip': 'Two-pole, common trip',
      'tied-singles': 'Two singles, tied',
      'loose-singles': 'Two singles, loose',
      single: 'One pole',
    },
    { label: 'Construction', ask: 'look: one body with one handle, or two breakers joined' },
  ),
  listedForPanel: yesNo({
    label: 'Type listed on the panel label',
    ask: 'compare the breaker type with the label inside the panel door',
  }),
  heldDown: yesNo({
    label: 'Held down by a fastener',
    says: ['Held down', 'Not held'],
    ask: 'look for the hold-down screw or bracket at this breaker',
  }),
  lineLoadMarked: yesNo({
    label: 'Marked LINE and LOAD',
    says: ['Marked', 'Not marked'],
    ask: 'read the side of the breaker',
  }),
  acrossBothLegs: yesNo({
    label: 'One pole on each leg',
    says: ['One on each leg', 'Both on one leg'],
    ask: 'meter: 240 V between its poles, or read the slots',
  }),
  interruptingKa: amount('kA', [1, 200], [10, 22, 25, 65], {
    label: 'Interrupting rating',
    ask: 'read AIC or kA on the breaker',
  }),
  availableKa: amount('kA', [0.1, 200], [10, 5, 8, 14, 18, 22], {
    label: 'Fault current available',
    ask: 'utility letter, or the value marked on the service; leave it open if there is none: the office’s value is used',
  }),
  seriesRated: yesNo({
    label: 'Series rating marked on the panel',
    ask: 'read the panel label: does it name this breaker behind that main, with a kA for both together',
    // where no fault current is marked the office’s own value stands, which may be the largest there is
    when: ({ interruptingKa, availableKa }) =>
      typeof interruptingKa === 'number' &&
      interruptingKa < (typeof availableKa === 'number' ? availableKa : OFFICE_NUMBERS.dwellingAvailableKa.max),
  }),
  electronic: choice(
    {
      plain: 'Plain',
      'gfci-marked': 'GFCI or AFCI, marked for backfeed',
      'gfci-unmarked': 'GFCI or AFCI, not so marked',
    },
    {
      label: 'Test button on it',
      ask: 'look for a test button; read what its marking says of the source at its load side',
    },
  ),
  stabsSound: yesNo({
    label: 'Stabs and bus sound',
    ask: 'panel dead, breaker off: no burn, pitting or rust where it plugs on',
  }),
  atInterlock: yesNo({
    label: 'In the position the interlock reaches',
    ask: 'move the interlock: it must cover this very handle',
    when: withTrait('onPanel'),
  }),
  displaced: choice(
    {
      none: 'No circuit was moved',
      'moved-matching': 'Moved; breaker and wire match',
      'moved-mismatched': 'Moved; they no longer match',
    },
    { label: 'Circuits moved to make room', ask: 'compare the directory and the wire at each moved breaker' },
  ),
});
