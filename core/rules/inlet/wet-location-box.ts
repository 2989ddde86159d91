import { ENCLOSURE_CITES, ENCLOSURE_TYPES, everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

const REMEDY = 'Fit a rain-tight inlet box whose lid closes over the connection or that is listed so.';

export default rule({
  id: 'inlet/wet-location-box',
  holds: 'Outdoors the inlet sits in a box that keeps rain out with the cord plugged in.',
  severity: 'correction',
  cites: everyEdition('406.9', '314.15', '110.28'),
  facts: ['transfer.kind', 'inlet.box', 'inlet.enclosure'],
  notApplicable: without('inlet'),
  check: (look) => {
    const box = look.need('inlet.box');
    if (box === 'dry') return holds('The place is dry.');
    if (box !== 'rain-tight')
      return violation('Rain gets in, at least while the cord is plugged in, which is when it is live.', REMEDY);
    const type = look.need('inlet.enclosure');
    if (type === 'unmarked')
      return violation('The box bears no enclosure type; nothing says that it keeps rain out.', REMEDY);
    const { rain } = ENCLOSURE_TYPES[type];
    look.step(`Type ${type} keeps rain out`, rain ? 'yes' : 'no', '', ENCLOSURE_CITES);
    return rain
      ? holds(`Type ${type} keeps rain out, cord in.`)
      : violation(`Type ${type} does not keep rain out.`, REMEDY);
  },
});
