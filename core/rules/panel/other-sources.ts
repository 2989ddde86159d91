import { everyEdition } from '../../codebook';
import { firstOf, holds, rule, valueWords, violation, without } from '../rule';

export default rule({
  id: 'panel/other-sources',
  holds: 'Any other source on this bus goes off with the utility, or isolates itself while this one runs.',
  severity: 'hazard',
  cites: everyEdition('702.5', '705.40', '706.16', '625.48'),
  not: 'The other source’s own installation; its rules are its own article’s.',
  facts: ['transfer.kind', 'transfer.otherKind', 'panel.otherSources', 'panel.otherIslanded'],
  notApplicable: firstOf(without('wired'), (look) =>
    look.has('splicedIn') ? 'the source never reaches this bus: each circuit is switched by itself' : undefined,
  ),
  check: (look) => {
    const other = look.need('panel.otherSources');
    if (other === 'none') return holds('No other source on this bus.');
    const name = valueWords('panel.otherSources', other);
    const does = look.need('panel.otherIslanded');
    return does === 'feeds'
      ? violation(
          `${name} on this bus may feed it while the generator runs: the two meet out of step, and a generator cannot take power back.`,
          'Do not energize. Open and lock the other source’s disconnect before the generator is closed, by a means that cannot be forgotten, or use equipment listed for both together.',
        )
      : holds(`${name}: ${valueWords('panel.otherIslanded', does).toLowerCase()}.`);
  },
});
