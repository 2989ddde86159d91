import { everyEdition } from '../../codebook';
import { stretchAt } from '../../case';
import { asked, holds, rule, violation, withoutFeeder, type Rule } from '../rule';
import { onlyWithStretch, stretchName, worstStretch } from './worst-stretch';

const notApplicable = withoutFeeder;

export default [
  asked({
    id: 'feeder/conductor-identity',
    holds: 'Neutral and ground are told from the hots by color at both ends.',
    severity: 'correction',
    cites: everyEdition('200.6', '250.119'),
    notApplicable,
    also: ['transfer.kind', 'transfer.otherKind', 'inlet.builtIn'],
    fact: 'feeder.identified',
    right: 'yes',
    good: 'White neutral, green or bare ground, hots neither.',
    bad: 'A conductor’s color does not say what it is.',
    remedy: 'Re-identify where the section permits it; run a conductor of the right color where it does not.',
  }),
  asked({
    id: 'feeder/terminals-for-aluminum',
    holds: 'Aluminum lands on terminals that are marked for it.',
    severity: 'correction',
    cites: everyEdition('110.14(A)'),
    notApplicable: onlyWithStretch(
      (look, i) => look.need(stretchAt(i).metal) === 'aluminum',
      'all conductors are copper',
    ),
    also: ['transfer.kind', 'transfer.otherKind', 'inlet.builtIn', 'feeder.stretches.metal'],
    fact: 'feeder.terminalsAluminum',
    right: 'yes',
    good: 'Marked AL or AL-CU.',
    bad: 'Aluminum lands on a terminal that is marked for copper alone; the joint loosens and heats.',
    remedy: 'With everything dead, fit terminals marked for aluminum, or listed pigtails of copper.',
  }),
  asked({
    id: 'feeder/one-raceway',
    holds: 'All conductors of the feeder run together, ground included.',
    severity: 'correction',
    cites: everyEdition('300.3(B)'),
    notApplicable,
    also: ['transfer.kind', 'transfer.otherKind', 'inlet.builtIn'],
    fact: 'feeder.together',
    right: 'yes',
    good: 'All run together.',
    bad: 'A conductor goes its own way; metal between them heats, and faults clear slowly.',
    remedy: 'Bring hots, neutral and ground into one raceway or cable.',
  }),
  asked({
    id: 'feeder/bushings-fitted',
    holds: 'Cables have connectors, and larger conductors bushings, where they enter box and panel.',
    severity: 'correction',
    cites: everyEdition('312.5(C)', '300.4(G)'),
    notApplicable,
    also: ['transfer.kind', 'transfer.otherKind', 'inlet.builtIn'],
    fact: 'feeder.bushings',
    right: 'yes',
    good: 'Connectors and bushings are there.',
    bad: 'A cable or conductor enters over a bare edge.',
    remedy: 'Fit a connector for each cable, and a bushing where conductors of 4 AWG and larger turn at a raceway.',
  }),
  asked({
    id: 'feeder/splices-rated',
    holds: 'Copper and aluminum meet only in connectors that are marked for both.',
    severity: 'correction',
    cites: everyEdition('110.14'),
    notApplicable,
    also: ['transfer.kind', 'transfer.otherKind', 'inlet.builtIn'],
    fact: 'feeder.splices',
    right: ['none', 'rated', 'lugs'],
    good: 'No splice of unlike metals, or one that is marked for it.',
    bad: 'Copper and aluminum meet in a connector that is not marked for both; it will heat.',
    remedy: 'Replace the connector with one that is marked for copper and aluminum, used as its sheet says.',
  }),
  rule({
    id: 'feeder/fastened',
    holds: 'Every run is fastened as its wiring method asks.',
    severity: 'correction',
    cites: everyEdition('334.30', '352.30', '358.30', '334.15(C)'),
    right: { 'feeder.stretches.fastened': ['yes'] },
    facts: [
      'inlet.builtIn',
      'transfer.kind',
      'transfer.otherKind',
      'feeder.stretches.fastened',
      'feeder.stretches.place',
    ],
    notApplicable,
    check: (look) =>
      worstStretch(look, (side, index) =>
        side.need(stretchAt(index).fastened) === 'yes'
          ? { least: 1, finding: holds('Fastened all the way.') }
          : {
              least: 0,
              finding: violation(
                `Not fastened as its method asks (${stretchName(side, index)}).`,
                'Strap it: cable within 12 in of each box and every 4½ ft, through joists or on a running board in a basement; raceway within 3 ft of each box and as its size asks.',
              ),
            },
      ),
  }),
  rule({
    id: 'feeder/nm-b-dry',
    holds: 'NM-B runs in no raceway that is wet inside.',
    severity: 'correction',
    cites: everyEdition('300.9', '334.12(B)'),
    not: 'The way through the back of a rain-tight box, which is dry.',
    facts: [
      'inlet.builtIn',
      'transfer.kind',
      'transfer.otherKind',
      'feeder.stretches.method',
      'feeder.stretches.place',
      'feeder.stretches.wetRaceway',
    ],
    notApplicable: onlyWithStretch((look, i) => look.need(stretchAt(i).method) === 'NM-B', 'no stretch is of NM-B'),
    check: (look) =>
      worstStretch(look, (side, index) => {
        const at = stretchAt(index);
        side.needAll(at.method, at.place);
        if (!side.asks(at.wetRaceway)) return { least: 1, finding: holds('No NM-B that comes from outdoors.') };
        return side.need(at.wetRaceway) === 'wet'
          ? {
              least: 0,
              finding: violation(
                `NM-B lies in a raceway that is wet inside (${stretchName(side, index)}).`,
                'Pull THWN-2 or another type with a W there, and change over in a box indoors.',
              ),
            }
          : { least: 1, finding: holds('NM-B lies dry.') };
      }),
  }),
  rule({
    id: 'feeder/pvc-expansion',
    holds: 'A long straight run of PVC on a sunny wall can move.',
    severity: 'advisory',
    cites: everyEdition('352.44'),
    facts: [
      'inlet.builtIn', 'transfer.kind', 'transfer.otherKind',
      ...['place', 'method', 'lengthFt', 'expansion'].map((key) => `feeder.stretches.${key}`),
    ], // prettier-ignore
    notApplicable: withoutFeeder,
    check: (look) =>
      worstStretch(look, (side, index) => {
        const at = stretchAt(index);
        side.needAll(at.place, at.method, at.lengthFt);
        if (!side.asks(at.expansion)) return { least: 1, finding: holds('No long run of PVC outdoors.') };
        return side.need(at.expansion) === 'yes'
          ? { least: 1, finding: holds('It can move.') }
          : {
              least: 0,
              finding: violation(
                `A long run of PVC outdoors has no expansion fitting (${stretchName(side, index)}); it bows, and pulls at its boxes.`,
                'Fit an expansion fitting where the run is long and in the sun.',
              ),
            };
      }),
  }),
] satisfies Rule[];
