import { firstOf, holds, rule, valueWords, violation, without } from '../rule';

export default rule({
  id: 'panel/other-sources',
  holds: 'Any other source lands where this one never feeds, or is held off it while this one runs.',
  severity: 'hazard',
  cites: {
    '2017': ['702.5', '705.40', '706.8', '625.48'],
    '2020': ['702.5', '705.40', '706.16', '625.48'],
    '2023': ['702.5', '705.40', '706.16', '625.48'],
  },
  not: 'The other source’s own installation; its rules are its own article’s. That it goes off without the utility is no help: volts are what it waits for.',
  facts: [
    'transfer.kind', 'transfer.otherKind', 'panel.otherSources', 'panel.otherLands', 'panel.otherHeld', 'panel.otherIslanded',
  ], // prettier-ignore
  notApplicable: firstOf(without('wired'), (look) =>
    look.has('splicedIn') ? 'the source never reaches this bus: each circuit is switched by itself' : undefined,
  ),
  check: (look) => {
    const other = look.need('panel.otherSources');
    if (other === 'none') return holds('No other source on this bus.');
    const name = valueWords('panel.otherSources', other);
    const refused = violation(
      `${name} on the bus that this source feeds may feed it too: the two meet out of step, and a generator cannot take power back.`,
      'Do not energize. Have the other source’s disconnect interlocked with this one, or locked open before this one is closed by a means that cannot be forgotten; or use equipment listed for both together.',
    );
    const lands = look.known('panel.otherLands');
    // What was recorded before it was asked where it lands.
    if (lands === undefined && look.known('panel.otherIslanded') === 'feeds') return refused;
    if (look.need('panel.otherLands') !== 'fed-bus')
      return holds(`${name}: ${valueWords('panel.otherLands', lands).toLowerCase()}.`);
    const held = look.need('panel.otherHeld');
    return held === 'neither' ? refused : holds(`${name}: ${valueWords('panel.otherHeld', held).toLowerCase()}.`);
  },
});
