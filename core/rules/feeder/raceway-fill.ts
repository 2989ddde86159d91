import { stretchAt } from '../../case';
import {
  CONDUCTOR_AREA_IN2,
  METHODS,
  RACEWAY_FILL_CITES,
  fillShare,
  likeConductors,
  racewayAreaIn2,
  smallestRaceway,
  type WiringMethod,
} from '../../codebook';
import { isNipple, conductorOf, metalIsGround, rounded, type Look } from '../../electrical';
import { firstOf, holds, rule, violation, withoutFeeder } from '../rule';
import { stretchName, worstStretch } from './worst-stretch';

const kindOf = (look: Look, index: number) => (METHODS[look.need(stretchAt(index).method)] as WiringMethod).fill;

export default rule({
  id: 'feeder/raceway-fill',
  holds: 'The conductors leave enough of every raceway free.',
  severity: 'correction',
  cites: RACEWAY_FILL_CITES,
  facts: [
    'inlet.builtIn',
    'transfer.kind',
    'transfer.otherKind',
    ...[
      'method',
      'insulation',
      'metal',
      'sizeAwg',
      'groundBy',
      'groundAwg',
      'neutralAwg',
      'racewayIn',
      'othersInRaceway',
      'nipple',
      'lengthFt',
    ].map((key) => `feeder.stretches.${key}`),
  ],
  notApplicable: firstOf(withoutFeeder, (look) => {
    let any = false;
    for (let i = 0; i < look.stretches; i++) any = kindOf(look, i) !== undefined || any;
    return any ? undefined : 'no run is in a raceway';
  }),
  check: (look) =>
    worstStretch(look, (side, index) => {
      const kind = kindOf(side, index);
      if (!kind) return { least: Infinity, finding: holds('No raceway.') };
      const at = stretchAt(index);
      side.needAll(at.insulation, at.racewayIn, at.othersInRaceway);
      const hot = side.attempt((one) => conductorOf(one, index).size);
      const neutral = side.attempt((one) => conductorOf(one, index, 'neutralAwg').size);
      const metalGround = metalIsGround(side, index);
      const ground = side.attempt((one) => (metalGround ? undefined : conductorOf(one, index, 'groundAwg').size));
      side.requireAll(hot, neutral, ground);
      const insulation = side.need(at.insulation);
      const others = side.need(at.othersInRaceway);
      const area = (size: keyof (typeof CONDUCTOR_AREA_IN2)[typeof insulation]) =>
        CONDUCTOR_AREA_IN2[insulation][size]!;
      const count = (metalGround ? 3 : 4) + others;
      const takenIn2 = side.step(
        metalGround
          ? `${count} conductors, the metal is the ground`
          : `${count} conductors, the ground counted with insulation`,
        rounded((2 + others) * area(hot.value!) + area(neutral.value!) + (ground.value ? area(ground.value) : 0)),
        'in²',
        'Chapter 9 Table 5',
      );
      const size = side.need(at.racewayIn);
      const insideIn2 = side.step(`${kind} ${size} in, inside`, racewayAreaIn2(kind, size), 'in²', 'Chapter 9 Table 4');
      const nipple = isNipple(side, index);
      const share = nipple
        ? side.step('Share of a nipple that they may take', fillShare(count, true), '×', 'Chapter 9 note 4')
        : side.step(`Share that ${count} conductors may take`, fillShare(count), '×', 'Chapter 9 Table 1');
      const mayIn2 = side.step('They may take', rounded(insideIn2 * share), 'in²', `${insideIn2} × ${share}`);
      // Of conductors that are all alike the last counts from 0.8 of one on.
      const alike = neutral.value === hot.value && (ground.value === undefined || ground.value === hot.value);
      const most = likeConductors(insideIn2 * share, area(hot.value!));
      const like = alike && count <= most;
      if (like && takenIn2 > mayIn2) side.step('Like conductors that go in', most, '', 'Chapter 9 note 7');
      const larger = smallestRaceway(kind, count, takenIn2);
      const words = `${takenIn2} in² taken (${stretchName(side, index)}), ${mayIn2} in² allowed.`;
      const detail = { found: takenIn2, allowed: mayIn2, unit: 'in²' };
      return {
        least: mayIn2 - takenIn2,
        finding:
          takenIn2 <= mayIn2 || like
            ? holds(words, detail)
            : violation(
                words,
                larger
                  ? `The smallest ${kind} that takes them is ${larger} in.`
                  : 'No size of the table takes them; split them over two raceways.',
                detail,
              ),
      };
    }),
});
