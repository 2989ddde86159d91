import { circuitAt, traitOf, type FactPath } from '../case';
import { OPEN_OHM } from '../codebook';
import { legSums, neutralGroups, plannedLoads } from '../loads';
import { ofEachCircuit, recordedOf, type Contradiction } from './contradiction';

/** What two readings of a meter may differ by though nothing makes them differ, V. */
const METER_V = 2;
/** Current below which a clamp shows none, A. */
const NONE_A = 0.05;

/** What is said of breaker, transfer equipment, neutral, loads, and what the function test reads. */
export const INSIDE: readonly Contradiction[] = [
  {
    id: 'breaker/one-pole-on-two-legs',
    says: 'A breaker of one pole stands on one leg.',
    look: 'Look at the breaker again, and measure between its poles.',
    doubts: ['breaker.construction', 'breaker.acrossBothLegs'],
    find: (look) =>
      look.peek('breaker.construction') === 'single' && look.peek('breaker.acrossBothLegs') === 'yes'
        ? { facts: ['breaker.construction', 'breaker.acrossBothLegs'] }
        : undefined,
  },
  {
    id: 'transfer/less-transfers-than-is-planned',
    says: 'What is planned on the source transfers with the rest.',
    look: 'Work out the transferred load again, or look at the nameplates of what is planned.',
    doubts: ['transfer.transferredW', 'loads.circuits.runningW', 'loads.circuits.plan'],
    find: (look) => {
      if (!look.asks('transfer.transferredW')) return undefined;
      const transferredW = look.peek('transfer.transferredW');
      const planned = look.attempt(plannedLoads).value;
      if (transferredW === undefined || !planned || legSums(planned).total <= transferredW) return undefined;
      return { facts: ['transfer.transferredW', ...planned.map(({ index }) => circuitAt(index).runningW)] };
    },
  },
  {
    id: 'neutral/switched-by-nothing',
    says: 'An interlock moves the two hots, and a switch at the meter leaves the neutral as it is; elsewhere a neutral is switched by a pole that can be seen.',
    look: 'Follow the white conductor again. A panel with three poles that open together is possible; a third pole must be seen.',
    doubts: ['neutral.switched', 'neutral.pole'],
    given: ['transfer.kind', 'transfer.location'],
    ends: 'neutral.pole',
    find: (look) => {
      if (look.peek('neutral.switched') !== 'yes' || !look.asks('neutral.pole')) return undefined;
      const pole = look.peek('neutral.pole');
      if (look.asks('transfer.location') && look.peek('transfer.location') === 'meter')
        return { facts: ['neutral.switched'] };
      if (pole === 'no') return { facts: ['neutral.switched', 'neutral.pole'] };
      return traitOf(look.kind, 'onPanel') === true && pole !== 'yes'
        ? { facts: ['neutral.switched'], ends: 'neutral.pole' }
        : undefined;
    },
  },
  {
    id: 'neutral/bond-of-the-derived-system',
    says: 'A bonded source has its bond at the source, and a floating one has none there.',
    look: 'Measure neutral to frame again, and look for the jumper where the switch is at generator.',
    doubts: ['source.neutralBond', 'neutral.derivedBond'],
    find: (look) => {
      if (!look.asks('neutral.derivedBond')) return undefined;
      const [bond, found] = [look.peek('source.neutralBond'), look.peek('neutral.derivedBond')];
      if (bond === undefined || found === undefined) return undefined;
      const atSource = found === 'source' || found === 'both';
      const clash = bond === 'bonded' ? found === 'none' : atSource;
      return clash ? { facts: ['source.neutralBond', 'neutral.derivedBond'] } : undefined;
    },
  },
  {
    id: 'neutral/bonded-twice-and-nothing-on-the-ground',
    says: 'With two bonds and an unbroken ground a part of the neutral’s current is on the ground.',
    look: 'Clamp again with a heater on one leg alone, and follow the white conductor.',
    doubts: ['source.neutralBond', 'neutral.switched', 'function.groundA'],
    given: ['grounding.frameToPanelOhm'],
    find: (look) =>
      look.asks('function.groundA') &&
      look.peek('source.neutralBond') === 'bonded' &&
      look.peek('neutral.switched') === 'no' &&
      (look.peek('function.groundA') ?? Infinity) < NONE_A &&
      (look.peek('grounding.frameToPanelOhm') ?? 0) < OPEN_OHM
        ? { facts: ['source.neutralBond', 'neutral.switched', 'function.groundA'] }
        : undefined,
  },
  {
    id: 'loads/furnace-on-a-cord',
    says: 'A furnace is wired to the house, and cords alone do not reach it.',
    look: 'Look how it is fed: a cord and plug of its own, a switch with an inlet, or a cord into an outlet of the house.',
    doubts: ['loads.circuits.use', 'transfer.backfeedsOutlet'],
    given: ['transfer.kind', 'loads.circuits.plan'],
    ends: 'loads.circuits.ownPlug',
    find: ofEachCircuit((look, at) =>
      look.asks(at.ownPlug) && look.peek(at.plan) !== 'off' && look.peek(at.ownPlug) !== 'yes'
        ? { facts: [at.use, 'transfer.backfeedsOutlet'], ends: at.ownPlug }
        : undefined,
    ),
  },
  {
    id: 'loads/start-not-above-running',
    says: 'A motor starts with several times what it runs on.',
    look: 'Read the nameplate again, or clamp it as it starts.',
    doubts: ['loads.circuits.startingW', 'loads.circuits.runningW'],
    given: ['loads.circuits.use', 'loads.circuits.plan'],
    ends: 'loads.circuits.softStart',
    find: ofEachCircuit((look, at) =>
      look.asks(at.softStart) && look.peek(at.plan) !== 'off' && look.peek(at.softStart) !== 'yes'
        ? { facts: [at.startingW, at.runningW], ends: at.softStart }
        : undefined,
    ),
  },
  {
    id: 'loads/unfused-with-a-breaker',
    says: 'A switch without a breaker has no number on one.',
    look: 'Look at its handle again for a breaker or a fuse.',
    doubts: ['loads.circuits.unfused', 'loads.circuits.switchBreakerA'],
    find: ofEachCircuit((look, at) =>
      look.asks(at.unfused) && look.peek(at.unfused) === 'yes' && look.peek(at.switchBreakerA) !== undefined
        ? { facts: [at.unfused, at.switchBreakerA] }
        : undefined,
    ),
  },
  {
    id: 'loads/one-slot-twice',
    says: 'A circuit of 240 V takes the slot below its own, too.',
    look: 'Read the numbers beside the breakers again.',
    doubts: ['loads.circuits.slot', 'loads.circuits.volts'],
    find: (look) => {
      const slots = recordedOf(look, 'loads.circuits').flatMap((i) => {
        const at = circuitAt(i);
        const slot = look.asks(at.slot) ? look.peek(at.slot) : undefined;
        return slot === undefined ? [] : [{ at, slot, two: look.peek(at.volts) === '240' }];
      });
      return slots.flatMap((one) =>
        one.two
          ? slots
              .filter((other) => other !== one && (other.slot === one.slot + 2 || other.slot === one.slot))
              .map((other) => ({ facts: [one.at.slot, one.at.volts, other.at.slot] satisfies FactPath[] }))
          : [],
      );
    },
  },
  {
    id: 'loads/tied-and-apart',
    says: 'Handles can be tied only where they stand one below the other.',
    look: 'Try the handles, and read the numbers beside the breakers again.',
    doubts: ['loads.circuits.paired', 'loads.circuits.slot'],
    given: ['transfer.kind', 'loads.circuits.neutralGroup'],
    find: (look) => {
      if (traitOf(look.kind, 'handlePerPole') !== false) return undefined; // there the handles are the switch’s
      const groups = look.attempt((side) => neutralGroups(side, recordedOf(side, 'loads.circuits'))).value ?? [];
      return groups.flatMap((group) => {
        const slots = group.map((i) => look.peek(circuitAt(i).slot));
        const tied = group.filter((i) => look.peek(circuitAt(i).paired) === 'yes');
        if (tied.length < group.length || slots.includes(undefined)) return [];
        const sorted = (slots as number[]).toSorted((a, b) => a - b);
        return sorted.every((slot, i) => i === 0 || slot - sorted[i - 1]! <= 2)
          ? []
          : [{ facts: group.flatMap((i) => [circuitAt(i).paired, circuitAt(i).slot]) }];
      });
    },
  },
  {
    id: 'loads/one-pole-on-two-handles',
    says: 'A circuit of 120 V has one hot, and so one handle.',
    look: 'Follow its leads at the switch again.',
    doubts: ['loads.circuits.sourceLeg', 'loads.circuits.volts'],
    find: ofEachCircuit((look, at) =>
      look.asks(at.sourceLeg) && look.peek(at.volts) === '120' && look.peek(at.sourceLeg) === 'both'
        ? { facts: [at.sourceLeg, at.volts] }
        : undefined,
    ),
  },
  {
    id: 'function/loaded-leg-reads-higher',
    says: 'The leg with the load on it is the lower one.',
    look: 'Measure both legs again, and see on which of them the heater is.',
    doubts: ['function.loadOn', 'function.legAV', 'function.legBV', 'function.otherLegAV', 'function.otherLegBV'],
    find: (look) => {
      const on = look.peek('function.loadOn');
      if (!look.asks('function.loadOn') || (on !== 'A' && on !== 'B')) return undefined;
      const readings = [
        ['function.legAV', 'function.legBV'],
        ['function.otherLegBV', 'function.otherLegAV'],
      ] as const;
      return readings.flatMap((pair) => {
        const [loaded, free] = on === 'A' ? pair : ([pair[1], pair[0]] as const);
        const [loadedV, freeV] = [look.peek(loaded), look.peek(free)];
        return loadedV !== undefined && freeV !== undefined && loadedV > freeV + METER_V
          ? [{ facts: ['function.loadOn', loaded, free] satisfies FactPath[] }]
          : [];
      });
    },
  },
];
