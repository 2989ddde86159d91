import { everyEdition } from '../../codebook';
import { asked, firstOf, onlyWith, without, type Rule } from '../rule';
import { above15kW } from './size';

export default [
  asked({
    id: 'source/over-15kw-disconnect',
    holds: 'A source above 15 kW has a disconnecting means of its own.',
    severity: 'correction',
    cites: everyEdition('702.12(A)'),
    notApplicable: firstOf(without('inlet'), above15kW(true)),
    also: ['transfer.kind', 'source.runningW'],
    fact: 'source.disconnect',
    right: 'yes',
    good: 'A switch at the source opens all ungrounded conductors.',
    bad: 'Above 15 kW, and nothing at the source opens all its ungrounded conductors.',
    remedy: 'Fit a disconnecting means at the source that opens all ungrounded conductors and can be locked open.',
  }),
  asked({
    id: 'source/small-portable-cord-connected',
    holds: 'A portable source of 15 kW or less hangs on a cord and plug, so that no further disconnect is needed.',
    severity: 'correction',
    cites: everyEdition('702.12(B)'),
    notApplicable: firstOf(without('inlet'), above15kW(false)),
    also: ['transfer.kind', 'source.runningW'],
    fact: 'source.connection',
    right: 'cord-and-plug',
    good: 'Cord and plug: drawing the plug disconnects it.',
    bad: 'Wired permanently: nothing that a hand can draw disconnects it.',
    remedy: 'Connect it through a cord and a flanged inlet, or fit a disconnecting means at the source.',
  }),
  asked({
    id: 'source/not-field-altered-bond',
    holds: 'Nobody has changed the bond between the source’s neutral and its frame.',
    severity: 'correction',
    cites: everyEdition('110.3(B)', '250.24'),
    notApplicable: onlyWith(
      ['retrofit-interlock', 'load-side-switch', 'transfer-panel', 'whole-house-manual', 'whole-house-automatic', 'single-circuit-switch', 'none-backfed'],
      'nothing is wired to the house, so no second bond can arise',
    ), // prettier-ignore
    fact: 'source.bondAltered',
    right: 'none',
    good: 'The bond is as the maker left it.',
    bad: 'Somebody has changed the bond of neutral and frame; what the nameplate says is no longer so.',
    remedy:
      'Take the jumper or bonding plug out, or put the maker’s bond back, measure neutral to frame again, and label the source with what it is.',
  }),
] satisfies Rule[];
