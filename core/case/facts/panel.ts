import { amount, choice, yesNo } from '../fact';
import { device, station } from '../parts';

export const panel = station({
  widthIn: amount('in', [0, 200], [30, 36, 24], { label: 'Clear width', ask: 'tape: across the front of the panel' }),
  depthIn: amount('in', [0, 400], [36, 42, 30], { label: 'Clear depth', ask: 'tape: from its face outward' }),
  heightFt: amount('ft', [0, 30], [6.5, 7, 8, 6], { label: 'Clear height', ask: 'tape: from the floor up' }),
  openingsClosed: yesNo({ label: 'Unused openings closed', ask: 'look: knockouts and breaker spaces' }),
  coverFits: yesNo({ label: 'Cover fits and is on', ask: 'look: all screws, no gap, breakers flush' }),
  directoryTrue: yesNo({
    label: 'Directory is true',
    ask: 'switch off three circuits and go and look, moved ones first',
  }),
  kind: choice(
    { service: 'Service equipment', subpanel: 'Subpanel' },
    { label: 'This panel is', ask: 'find the service disconnect: is it in here' },
  ),
  neutralsAndGrounds: choice(
    { together: 'On one bar', apart: 'Apart, neutral insulated' },
    { label: 'Neutrals and grounds', ask: 'look at the bars and for the bonding screw' },
  ),
  busA: device('Bus rating', 'read the panel label', [200, 100, 125, 150, 225]),
  mainA: device('Main or feeding breaker', 'read its handle', [200, 100, 125, 150, 60]),
});
