import { choice, yesNo } from '../fact';
import { station, whenSite, withInlet, withKinds } from '../parts';

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
  generatorBreaker: yesNo({
    label: 'Generator breaker is named',
    ask: 'read the directory and the breaker: does it say generator',
    when: withKinds('retrofit-interlock', 'transfer-panel'),
  }),
  positions: yesNo({
    label: 'Positions of the transfer means are marked',
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
    ask: 'rub them; no handwriting outdoors',
    when: withInlet,
  }),
});
