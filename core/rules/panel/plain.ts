import { everyEdition } from '../../codebook';
import { asked, without, type Rule } from '../rule';

const notApplicable = without('transfer');

export default [
  asked({
    id: 'panel/openings-closed',
    holds: 'Unused openings of the panel are closed.',
    severity: 'correction',
    cites: everyEdition('110.12(A)', '408.7'),
    notApplicable,
    fact: 'panel.openingsClosed',
    right: 'yes',
    good: 'All closed.',
    bad: 'An opening lets a finger or a mouse in.',
    remedy: 'Close it with a listed knockout seal or filler plate.',
  }),
  asked({
    id: 'panel/cover-fits',
    holds: 'The cover fits and is on.',
    severity: 'correction',
    cites: everyEdition('408.38', '110.3(B)'),
    notApplicable,
    fact: 'panel.coverFits',
    right: 'yes',
    good: 'On, with all its screws.',
    bad: 'The cover is off, gaps or does not fit over what was added.',
    remedy: 'Fit the panel’s own cover with all its screws; parts that do not go under it do not belong to this panel.',
  }),
  asked({
    id: 'panel/directory-true',
    holds: 'The directory says what each breaker feeds, moved circuits too.',
    severity: 'correction',
    cites: everyEdition('408.4(A)'),
    notApplicable,
    fact: 'panel.directoryTrue',
    right: 'yes',
    good: 'It is true.',
    bad: 'The directory is wrong; whoever trusts it works on a live circuit.',
    remedy: 'Trace every circuit and write the directory anew.',
  }),
] satisfies Rule[];
