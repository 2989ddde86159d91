import type { Cites } from '../../codebook';
import { DERIVED_FACTS, derivedBond, groundShare, neutralSwitched, rounded, runs } from '../../electrical';
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
  not: 'Whether the record of the bond is true: source/neutral-state-proved, and under load neutral/none-on-ground.',
  reading: 'derivedNeutral',
  cites,
  facts: [
    'transfer.kind', 'transfer.otherKind', ...DERIVED_FACTS, 'neutral.unbalancedA', 'source.outletGfci',
    'cord.part', 'cord.sizeAwg', 'cord.lengthFt', ...['method', 'metal', 'sizeAwg', 'groundBy', 'groundAwg', 'lengthFt'].map((key) => `feeder.stretches.${key}`),
  ], // prettier-ignore
  notApplicable: without('wired'),
  check: (look) => {
    look.needAll('source.neutralBond', 'neutral.switched');
    const bonded = look.need('source.neutralBond') === 'bonded';
    const switched = neutralSwitched(look);
    const found = `${bonded ? 'bonded' : 'floating'} source, ${switched ? 'switched' : 'unswitched'} neutral`;
    if (!bonded && !switched)
      return holds('Floating source, unswitched neutral: not separately derived; the one bond is at the service.', {
        found,
      });
    const allowed = bonded
      ? 'bonded with switched, or floating with unswitched'
      : 'floating with unswitched, or bonded with switched';
    if (switched) {
      const bond = derivedBond(look);
      if (bond === 'nowhere')
        return violation(
          'Floating source, switched neutral: nothing ties this neutral to ground, so a ground fault would open no breaker.',
          'Both sources off: bond the neutral at the source as its maker provides and mark it, or use transfer equipment that leaves the neutral solid.',
          { found, allowed },
        );
      if (bond === 'twice')
        return violation(
          'Bonded at the source, and again by a jumper in the house: neutral current returns over the equipment ground between the two.',
          'Both sources off: keep the bond at the source and take the jumper in the house out.',
          { found, allowed },
        );
      return bonded
        ? holds('Bonded source, switched neutral: separately derived; it is bonded at the source.', { found })
        : holds(
            `Floating source, switched neutral, bonded ${bond === 'first-device' ? 'at the first overcurrent device' : 'in the house'}: separately derived.`,
            {
              found,
            },
          );
    }
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
    const gfci = look.known('source.outletGfci');
    if (gfci === 'yes') look.step('A GFCI on the source trips at', '4–6', 'mA', 'class A device');
    const trips =
      gfci === 'yes'
        ? ', and its GFCI trips'
        : gfci === 'no'
          ? '; the receptacle in use has no GFCI that would tell'
          : '; a GFCI would trip, where one is fitted';
    return violation(
      `Bonded source, unswitched neutral: a second bond; ${share}${trips}.`,
      'Source stopped and unplugged: open the bond at the source as its maker provides and mark it, or use transfer equipment that switches the neutral. Never take a GFCI out.',
      { found, allowed },
    );
  },
});
