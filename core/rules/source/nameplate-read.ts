import { everyEdition } from '../../codebook';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'source/nameplate-read',
  holds: 'The nameplate is there, and volts, rated watts and fuel are on record.',
  severity: 'correction',
  cites: everyEdition('445.11'),
  facts: ['source.nameplate', 'source.voltage', 'source.runningW', 'source.fuel'],
  check: (look) => {
    const plate = look.known('source.nameplate');
    if (plate === 'missing' || plate === 'illegible')
      return violation(
        `The nameplate is ${plate}; every number of this source would be hearsay.`,
        'Get the maker’s data for this unit in writing and have the plate replaced.',
      );
    look.needAll('source.nameplate', 'source.voltage', 'source.runningW', 'source.fuel');
    return holds(`${look.need('source.runningW')} W at ${look.need('source.voltage')} V, ${look.need('source.fuel')}.`);
  },
});
