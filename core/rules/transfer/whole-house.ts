import {
  everyEdition,
  dwellingServiceSize,
  AREA_CMIL,
  DWELLING_SERVICE,
  tableAmpacityA,
  type Edition,
} from '../../codebook';
import { type Look, Missing } from '../../electrical';
import { asked, firstOf, holds, onlyWith, rule, violation, type Rule } from '../rule';

const wholeHouse = onlyWith('wholeHouse', 'only a whole-house switch carries the utility’s current');
const first = firstOf(wholeHouse, (look) =>
  look.need('transfer.location') === 'first' ? undefined : 'the switch does not stand first behind the meter',
);
const since = (editions: readonly Edition[]) => (look: Look) =>
  editions.includes(look.edition) ? undefined : `the ${look.edition} edition does not ask for it`;
const KIND = ['transfer.kind', 'transfer.otherKind'] as const;

/** What a switch for the whole house must be on its utility side. */
export default [
  rule({
    id: 'transfer/utility-side-rated',
    holds: 'A whole-house switch is rated no less than the service or feeder that it switches.',
    severity: 'correction',
    cites: everyEdition('110.3(B)', '230.79', '702.5'),
    facts: [...KIND, 'transfer.ratingA', 'transfer.utilityA'],
    notApplicable: wholeHouse,
    check: (look) => {
      look.needAll('transfer.ratingA', 'transfer.utilityA');
      const [found, allowed] = [look.need('transfer.ratingA'), look.need('transfer.utilityA')];
      const words = `${found} A switch, ${allowed} A service or feeder.`;
      return found >= allowed
        ? holds(words, { found, allowed, unit: 'A' })
        : violation(words, `Fit a switch rated ${allowed} A or more.`, { found, allowed, unit: 'A' });
    },
  }),
  rule({
    id: 'transfer/short-circuit-rating',
    holds: 'A whole-house switch withstands the fault current that the utility can give.',
    severity: 'correction',
    cites: everyEdition('110.9', '110.10'),
    not: 'The backfed breaker of an interlock: breaker/interrupting-rating.',
    facts: [...KIND, 'transfer.withstandKa', 'breaker.availableKa'],
    notApplicable: wholeHouse,
    check: (look) => {
      const found = look.need('transfer.withstandKa');
      const allowed = look.known('breaker.availableKa') ?? look.number('dwellingAvailableKa');
      const words = `${found} kA rated, ${allowed} kA available.`;
      return found >= allowed
        ? holds(words, { found, allowed, unit: 'kA' })
        : violation(words, `Fit a switch rated ${allowed} kA or more with the device ahead of it.`, {
            found,
            allowed,
            unit: 'kA',
          });
    },
  }),
  rule({
    id: 'transfer/service-conductors',
    holds: 'The conductors on the switch’s utility side are as large as the service asks.',
    severity: 'correction',
    cites: DWELLING_SERVICE.cites,
    not: 'Heat and bundling, which the dwelling table leaves to 310.15; and feeders that carry less than the whole dwelling.',
    facts: [...KIND, 'transfer.utilityA', 'transfer.serviceMetal', 'transfer.serviceAwg', 'transfer.serviceSets'],
    notApplicable: wholeHouse,
    check: (look) => {
      look.needAll('transfer.utilityA', 'transfer.serviceMetal', 'transfer.serviceAwg');
      const [serviceA, metal, size] = [
        look.need('transfer.utilityA'),
        look.need('transfer.serviceMetal'),
        look.need('transfer.serviceAwg'),
      ];
      if (tableAmpacityA(metal, size, 75) === undefined)
        throw new Missing(
          ['transfer.serviceAwg'],
          `The tables have no ${size} AWG ${metal} conductor; read its marking again.`,
        );
      const sets = look.asks('transfer.serviceSets') ? look.need('transfer.serviceSets') : 1;
      const least = dwellingServiceSize(serviceA, metal, sets);
      if (!least)
        throw new Missing(
          ['transfer.utilityA'],
          `No row of the table serves ${serviceA} A; have the size worked out by a licensed person.`,
        );
      look.step(`Smallest ${metal} for a dwelling’s ${serviceA} A`, least, 'AWG', DWELLING_SERVICE.cites);
      const detail = { found: size, allowed: least, unit: 'AWG' };
      const words = `${size} AWG ${metal} for ${serviceA} A; ${least} AWG needed.`;
      return AREA_CMIL.rows[size]! >= AREA_CMIL.rows[least]!
        ? holds(words, detail)
        : violation(words, `Run ${least} AWG ${metal} or larger, or lower the device ahead.`, detail);
    },
  }),
  asked({
    id: 'transfer/suitable-as-service-equipment',
    holds: 'A switch that stands first behind the meter is suitable as service equipment.',
    severity: 'correction',
    cites: everyEdition('230.66'),
    notApplicable: first,
    also: [...KIND, 'transfer.location'],
    fact: 'transfer.serviceEquipment',
    right: 'yes',
    good: 'It is marked so.',
    bad: 'It stands first and is not marked suitable as service equipment.',
    remedy: 'Fit a switch that is marked for it, or put a service disconnect ahead of this one.',
  }),
  rule({
    id: 'transfer/panel-behind-is-subpanel',
    holds: 'A panel that a whole-house switch feeds is a subpanel: its bond out, four wires to it.',
    severity: 'correction',
    weighs: 'hazard unless the source floats or its neutral is not switched: two bonds otherwise',
    cites: {
      '2017': ['250.24(A)(5)', '250.142(B)', '408.40'],
      '2020': ['250.24(A)(5)', '250.142(B)', '408.40'],
      '2023': ['250.24(B)', '250.142(B)', '408.40'],
    },
    not: 'Collars at the meter, behind which the panel stays the service, and existing separate buildings (250.32(B)).',
    facts: [
      ...KIND, 'transfer.location', 'transfer.fourWire', 'panel.kind', 'panel.neutralsAndGrounds', 'panel.separateBuilding',
      'source.neutralBond', 'neutral.switched',
    ], // prettier-ignore
    notApplicable: firstOf(wholeHouse, (look) =>
      look.need('transfer.location') === 'meter' ? 'at the meter itself it leaves the panel as it was' : undefined,
    ),
    check: (look) => {
      const bondIn = look.known('panel.kind') === 'service' || look.known('panel.neutralsAndGrounds') === 'together';
      if (bondIn && look.need('panel.separateBuilding') === 'no') {
        // Two bonds, unless one of them is known not to be.
        const twice = look.known('source.neutralBond') !== 'floating' && look.known('neutral.switched') !== 'no';
        return violation(
          'A switch feeds this panel, and neutral and ground are still bonded in it.',
          'Both sources off and proved dead: take the main bonding jumper of the panel out, part neutrals and grounds, and run an equipment ground from the switch.',
          twice ? { severity: 'hazard' } : {},
        );
      }
      if (bondIn) return holds('An existing separate building, fed by three wires.');
      look.needAll('panel.kind', 'panel.neutralsAndGrounds', 'transfer.fourWire');
      if (look.need('transfer.fourWire') === 'no')
        return violation(
          'Three wires go from the switch to the panel; neutral and ground share one.',
          'Run an equipment ground of its own from the switch to the panel.',
        );
      return holds('The panel behind the switch is a subpanel on four wires.');
    },
  }),
  asked({
    id: 'transfer/surge-protection',
    holds: 'Where a dwelling’s service is replaced it has surge protection.',
    severity: 'correction',
    cites: { '2017': ['guidance'], '2020': ['230.67'], '2023': ['230.67', '215.18'] },
    not: 'A switch behind the service disconnect: there no service is replaced.',
    notApplicable: firstOf(since(['2020', '2023']), first),
    also: [...KIND, 'transfer.location'],
    fact: 'transfer.surgeProtected',
    right: 'yes',
    good: 'It is there.',
    bad: 'The service was replaced and has no surge-protective device.',
    remedy: 'Fit a listed one of type 1 or 2 in or beside the service equipment.',
  }),
  asked({
    id: 'transfer/emergency-disconnect',
    holds: 'A dwelling whose service is changed has an emergency disconnect outdoors.',
    severity: 'correction',
    cites: { '2017': ['guidance'], '2020': ['230.85'], '2023': ['230.85'] },
    notApplicable: firstOf(since(['2020', '2023']), first),
    also: [...KIND, 'transfer.location'],
    fact: 'transfer.emergencyDisconnect',
    right: 'yes',
    good: 'It is there and marked.',
    bad: 'Nothing outdoors disconnects the dwelling in an emergency, or it is not marked.',
    remedy: 'Fit a disconnect outdoors in reach, marked EMERGENCY DISCONNECT as the section says for its kind.',
  }),
  asked({
    id: 'transfer/meter-mounted-listed',
    holds: 'A transfer switch at the meter is listed as one, and the utility agrees.',
    severity: 'correction',
    cites: { '2017': ['110.3(B)', '230.82'], '2020': ['702.5', '230.82'], '2023': ['702.5', '230.82'] },
    notApplicable: firstOf(wholeHouse, (look) =>
      look.need('transfer.location') === 'meter' ? undefined : 'the switch is not mounted at the meter',
    ),
    also: [...KIND, 'transfer.location'],
    fact: 'transfer.meterListed',
    right: 'yes',
    good: 'Listed for it, and the utility agrees.',
    bad: 'Nothing shows that it is listed as a meter-mounted transfer switch and that the utility agrees.',
    remedy: 'Get the listing and the utility’s letter, or fit a switch behind the meter.',
  }),
] satisfies Rule[];
