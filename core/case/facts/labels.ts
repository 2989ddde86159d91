import { choice, yesNo } from '../fact';
import { station, whenSite, withInlet, withTrait } from '../parts';

const unswitched = whenSite('neutral', 'switched', 'no');

export const labels = station({
  inletSign: choice(
    {
      nonseparately: 'Nonseparately derived, floating neutral only',
      separately: 'Separately derived, bonded neutral only',
      other: 'Some other sign',
      none: 'No sign',
    },
    { label: 'Sign at the inlet', ask: 'read the sign beside the inlet', when: withInlet },
  ),
  inletSignWarning: yesNo({
    label: 'The inlet sign begins with WARNING',
    ask: 'read its first word',
    when: (labels, site) =>
      withInlet(labels, site) && ['nonseparately', 'separately'].includes(labels.inletSign as string),
  }),
  neutralShock: yesNo({
    label: 'Warning of shock if the ground connection is removed',
    ask: 'look at the normal equipment for a sign that speaks of its grounding electrode or bonding connection',
    when: (labels, site) => withInlet(labels, site) && unswitched(labels, site),
  }),
  twoSources: yesNo({
    label: 'Panel says that it has two sources',
    ask: 'read the panel: does a label name both supplies and their disconnects',
    when: (labels, site) => withInlet(labels, site) && !withTrait('singleCircuit')(labels, site),
  }),
  feedThrough: choice(
    { none: 'No conductor passes through', labeled: 'Passes through, labeled', unlabeled: 'Passes through, no label' },
    {
      label: 'Conductors that pass through the panel',
      so: 'No conductor only passes through the panel',
      ask: 'look for circuits that only pass: a label must name where they can be switched off',
      when: withInlet,
    },
  ),
  generatorBreaker: yesNo({
    label: 'Generator breaker is named',
    ask: 'read the directory and the breaker: does it say generator',
    when: withTrait('backfedBreaker'),
  }),
  positions: yesNo({
    label: 'Positions of the transfer equipment are marked',
    ask: 'read: utility, off, generator at each position',
    when: withInlet,
  }),
  steps: yesNo({
    label: 'Operating steps at the panel',
    ask: 'look at the door: steps in order, both ways',
    when: withInlet,
  }),
  maxLoad: yesNo({
    label: 'Largest load is stated',
    ask: 'look beside the steps: watts and amps of the source',
    when: withInlet,
  }),
  standingSign: yesNo({
    label: 'Sign at the service names the source',
    ask: 'read the sign at the service: kind and place of the source',
    when: whenSite('source', 'connection', 'permanent'),
  }),
  durable: yesNo({
    label: 'Labels will last where they are',
    ask: 'rub them; a warning, caution or danger sign is never handwritten; a directory may be',
    when: withInlet,
  }),
});
