import { everyEdition } from '../../codebook';
import { firstOf, holds, rule, violation } from '../rule';
import { above15kW, battery } from './size';

const REMEDY =
  'Have GFCI receptacles fitted as the maker provides, or use a source whose 15 and 20 A receptacles have them.';

export default rule({
  id: 'source/gfci-on-small-portable',
  holds: 'The 120 V receptacles of 15 and 20 A on a portable generator of 15 kW or less have GFCI protection.',
  severity: 'correction',
  not: 'Whether the GFCI trips (function/gfci-trips), and receptacles above 20 A or 120 V.',
  cites: everyEdition('445.20'),
  facts: [
    'source.kind', 'source.runningW', 'source.neutralBond', 'source.voltage', 'source.receptacles120', 'source.madeBefore2015', 'source.gfciCordSets',
  ], // prettier-ignore
  notApplicable: firstOf(battery, above15kW(false)),
  check: (look) => {
    look.needAll('source.neutralBond', 'source.voltage', 'source.receptacles120');
    const receptacles = look.need('source.receptacles120');
    if (receptacles !== 'none-fitted' && receptacles !== 'protected' && look.known('source.madeBefore2015') === 'yes') {
      if (look.need('source.gfciCordSets') === 'yes')
        return holds('Made before 2015, and listed GFCI cord sets are used with it.');
    }
    if (receptacles === 'none-fitted') return holds('It has no 120 V receptacle of 15 or 20 A.');
    if (receptacles === 'protected') return holds('All its 120 V, 15 and 20 A receptacles have GFCI.');
    if (look.need('source.neutralBond') === 'bonded')
      return violation(
        'Bonded neutral, and not every 120 V, 15 and 20 A receptacle has GFCI that is always on.',
        REMEDY,
      );
    if (look.need('source.voltage') === '120')
      return holds('Floating neutral and 120 V receptacles only: the section asks for none.');
    return receptacles === 'interlocked'
      ? holds('Floating neutral; its 120 V receptacles are dead while a 120/240 V receptacle is used.')
      : violation('Floating neutral, 120/240 V, and some 120 V, 15 or 20 A receptacles lack GFCI.', REMEDY);
  },
});
