import type { Cites } from '../../codebook';
import { groundShare, rounded, runs } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

const cites: Cites = {
  '2017': ['250.30', '250.34(C)', '250.24(A)(5)', '250.142(B)', '250.20(B)', '250.26'],
  '2020': ['250.30', '250.34(C)', '250.24(A)(5)', '250.142(B)', '250.20(B)', '250.26'],
  '2023': ['250.30', '250.34(C)', '250.24(B)', '250.142(B)', '250.20(B)', '250.26'],
};

export default rule({
  id: 'neutral/matrix',
  holds:
    'The neutral is bonded in exactly one place: floating source with unswitched neutral, or bonded source with switched neutral.',
  severity: 'hazard',
  cites,
  facts: ['transfer.kind', 'source.neutralBond', 'neutral.switched'],
  notApplicable: without('transfer'),
  check: (look) => {
    look.needAll('source.neutralBond', 'neutral.switched');
    const bonded = look.need('source.neutralBond') === 'bonded';
    const switched = look.need('neutral.switched') === 'yes';
    const found = `${bonded ? 'bonded' : 'floating'} source, ${switched ? 'switched' : 'unswitched'} neutral`;
    if (!bonded && !switched)
      return holds('Floating source, unswitched neutral: not separately derived; the one bond is at the service.', {
        found,
      });
    if (bonded && switched)
      return holds('Bonded source, switched neutral: separately derived; the one bond is at the source.', { found });
    const allowed = bonded
      ? 'bonded with switched, or floating with unswitched'
      : 'floating with unswitched, or bonded with switched';
    if (!bonded)
      return violation(
        'Floating source, switched neutral: nothing ties this neutral to ground, so a ground fault would open no breaker.',
        'Bond the neutral at the source as its maker provides, or use transfer equipment that leaves the neutral solid.',
        { found, allowed },
      );
    const way = look.attempt((one) => runs(one, true));
    let share = 'part of the neutral current returns over the equipment ground';
    if (way.value) {
      look.adopt(way);
      const part = look.step(
        'Share of neutral current on the equipment ground',
        rounded(groundShare(way.value)),
        '×',
        'R neutral ÷ (R neutral + R ground), Chapter 9 Table 8',
      );
      const unbalancedA = look.known('neutral.unbalancedA');
      if (unbalancedA === undefined)
        share = `${Math.round(part * 100)} % of the neutral current returns over the equipment ground`;
      else {
        const groundA = look.step(
          'Current on the equipment ground',
          rounded(part * unbalancedA),
          'A',
          `${part} × ${unbalancedA} A`,
        );
        share = `about ${groundA} A of ${unbalancedA} A unbalanced current return over the equipment ground`;
      }
    }
    look.step('A GFCI on the source trips at', '4–6', 'mA', 'class A device');
    return violation(
      `Bonded source, unswitched neutral: a second bond; ${share}, and a GFCI on the source trips.`,
      'Open the bond at the source as its maker provides and label it, or use transfer equipment that switches the neutral. Never take the GFCI out.',
      { found, allowed },
    );
  },
});
