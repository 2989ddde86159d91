import { everyEdition, type Cites } from '../../codebook';
import { bondAccepted, DERIVED_FACTS, derivedBond, neutralSwitched, SWITCHED_FACTS } from '../../electrical';
import { firstOf, holds, rule, violation, without, type Rule } from '../rule';

const secondBond: Cites = {
  '2017': ['250.24(A)(5)', '250.142(B)', '408.40'],
  '2020': ['250.24(A)(5)', '250.142(B)', '408.40'],
  '2023': ['250.24(B)', '250.142(B)', '408.40'],
};

export default [
  rule({
    id: 'neutral/one-bond',
    holds: 'Beyond the service disconnect the house’s neutral is tied to ground nowhere.',
    severity: 'correction',
    weighs: 'hazard at the inlet: the source’s neutral current has two ways from there',
    cites: secondBond,
    not: 'The bond of a derived source: neutral/matrix; and a panel behind a whole-house switch: transfer/panel-behind-is-subpanel.',
    right: { 'neutral.otherBond': ['none'] },
    facts: [
      'transfer.kind',
      'transfer.otherKind',
      'transfer.location',
      'neutral.otherBond',
      'neutral.jumperTies',
      ...SWITCHED_FACTS,
    ],
    notApplicable: without('wired'),
    check: (look) => {
      const other = look.need('neutral.otherBond');
      if (other === 'none') return holds('No other bond in the house.');
      if (other === 'transfer-enclosure') {
        const ties = look.need('neutral.jumperTies');
        // A switch that stands first is the service: the utility's neutral meets ground in it, by its own main bonding jumper.
        if (ties === 'utility' && look.has('wholeHouse') && look.need('transfer.location') === 'first')
          return holds('The jumper in the switch is its main bonding jumper, for it is the service.');
        if (ties === 'source' && neutralSwitched(look))
          return holds(
            'The jumper in the transfer enclosure is the derived system’s: neutral/separately-derived-grounded.',
          );
      }
      return violation(
        'Neutral and ground meet again beyond the service; neutral current takes the ground along.',
        'Both sources off and proved dead: take the bonding screw or strap out there, and bring neutrals and grounds to separate bars.',
        // From the inlet on the source's whole neutral current has two ways, as with a bonded source.
        other === 'inlet' ? { severity: 'hazard' } : {},
      );
    },
  }),
  rule({
    id: 'neutral/separately-derived-grounded',
    holds:
      'A separately derived source has its system bonding jumper once: at the source, or at the first disconnect or overcurrent device.',
    severity: 'correction',
    cites: everyEdition('250.30(A)(1)', '250.30(A)'),
    not: 'A source that is not derived: neutral/matrix and neutral/one-bond.',
    reading: 'derivedNeutral',
    facts: ['transfer.kind', 'transfer.otherKind', ...DERIVED_FACTS],
    notApplicable: firstOf(without('wired'), (look) =>
      neutralSwitched(look) ? undefined : 'the neutral is not switched, so the source is not separately derived',
    ),
    check: (look) => {
      const bond = derivedBond(look);
      if (bond === 'nowhere')
        return violation(
          'The derived system has no bonding jumper.',
          'Both sources off: bond it once, at the source as its maker provides, or at the first overcurrent device; and mark it.',
        );
      if (bond === 'twice')
        return violation(
          'The derived system is bonded twice; neutral current runs on the ground between the two.',
          'Both sources off: keep the bond at the source and take the jumper in the house out.',
        );
      if (bondAccepted(look, bond))
        return holds(
          bond === 'at-source'
            ? 'Bonded once, at the source.'
            : 'Bonded once, at the first device or where this office reads it.',
        );
      return violation(
        'The jumper sits in the house, behind the source’s own overcurrent device; up to there the neutral is not grounded.',
        'Both sources off: bond at the source as its maker provides and mark it, and take the jumper in the house out. Offices differ; ask yours.',
      );
    },
  }),
  rule({
    id: 'neutral/none-on-ground',
    holds: 'With the source running and load on one leg, the equipment ground carries no current.',
    severity: 'hazard',
    cites: everyEdition('250.6', '250.30'),
    not: 'Where the second bond is: a source may bond by a relay only while it runs, and read floating with the engine off.',
    facts: ['transfer.kind', 'transfer.otherKind', 'function.groundA'],
    notApplicable: without('inlet'),
    check: (look) => {
      const found = look.need('function.groundA');
      const allowed = look.number('groundCurrentA');
      const detail = { found, allowed, unit: 'A' };
      return found <= allowed
        ? holds(`${found} A on the equipment ground under load.`, detail)
        : violation(
            `${found} A return over the equipment ground under load: neutral and ground meet twice, perhaps by a relay that bonds the source only while it runs.`,
            'Take the load off and stop the source. Find the second bond: the source’s own, by its manual, then inlet, transfer equipment and subpanels. Use a source whose neutral suits the transfer equipment, or change how that treats the neutral.',
            detail,
          );
    },
  }),
] satisfies Rule[];
