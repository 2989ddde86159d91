import { BONDED_OHM, CONFIGURATIONS, FLOATING_OHM } from '../codebook';
import { cordAt, stretchAt, type FactPath } from '../case';
import type { Look } from '../electrical';
import { recordedOf, type Contradiction } from './contradiction';

/** Volts from hot to frame at or above which a running source has its neutral bonded, V. */
const BONDED_RUNNING_V = 100;

/** What is said of source, siting, cord, inlet and feeder. */
export const OUTSIDE: readonly Contradiction[] = [
  {
    id: 'source/kind-and-fuel',
    says: 'A battery power station burns nothing, and an engine runs on no battery.',
    look: 'Read the nameplate again: an engine has an exhaust, and may not stand indoors.',
    doubts: ['source.kind', 'source.fuel'],
    find: (look) => {
      const [kind, fuel] = [look.peek('source.kind'), look.peek('source.fuel')];
      if (kind === undefined || fuel === undefined) return undefined;
      return (kind === 'power-station') === (fuel === 'battery')
        ? undefined
        : { facts: ['source.kind', 'source.fuel'] };
    },
  },
  {
    id: 'source/stations-paired',
    says: 'Only battery power stations are paired so, one on each leg.',
    look: 'Follow every cord of the source again.',
    doubts: ['source.units', 'source.kind'],
    find: (look) =>
      look.peek('source.units') === 'paired-stations' && look.peek('source.kind') === 'engine'
        ? { facts: ['source.units', 'source.kind'] }
        : undefined,
  },
  {
    id: 'source/starting-below-running',
    says: 'No source starts a motor with less than it gives all day.',
    look: 'Read both numbers on the nameplate again.',
    doubts: ['source.startingW', 'source.runningW'],
    find: (look) =>
      (look.peek('source.startingW') ?? Infinity) < (look.peek('source.runningW') ?? 0)
        ? { facts: ['source.startingW', 'source.runningW'] }
        : undefined,
  },
  {
    id: 'source/more-here-than-rated',
    says: 'Fuel, height and heat take from what the nameplate says, and add nothing.',
    look: 'Read nameplate and manual again: running watts of both, not starting.',
    doubts: ['source.makerSiteW', 'source.runningW'],
    find: (look) =>
      look.asks('source.makerSiteW') &&
      (look.peek('source.makerSiteW') ?? 0) > (look.peek('source.runningW') ?? Infinity)
        ? { facts: ['source.makerSiteW', 'source.runningW'] }
        : undefined,
  },
  {
    id: 'source/bond-and-meter',
    says: 'One of them says that neutral and frame are joined, the other that they are not.',
    look: `Measure again, engine off, nothing plugged in, the frame clean at the lead. A relay may bond the neutral only while the source runs: then ${BONDED_RUNNING_V} V and more stand from a hot to the frame, running, unplugged, on a low-impedance meter.`,
    doubts: ['source.neutralBond', 'source.neutralFrameOhm', 'source.hotFrameV'],
    ends: 'source.hotFrameV',
    find: (look) => {
      const [said, ohm] = [look.peek('source.neutralBond'), look.peek('source.neutralFrameOhm')];
      if (said === undefined || ohm === undefined) return undefined;
      const facts: FactPath[] = ['source.neutralBond', 'source.neutralFrameOhm'];
      if (said === 'floating') return ohm <= BONDED_OHM ? { facts } : undefined;
      if (ohm < FLOATING_OHM) return undefined;
      const runningV = look.peek('source.hotFrameV');
      if (runningV === undefined) return { facts, ends: 'source.hotFrameV' };
      return runningV >= BONDED_RUNNING_V ? undefined : { facts: [...facts, 'source.hotFrameV'] };
    },
  },
  {
    id: 'source/bond-as-changed',
    says: 'What somebody did to the bond leaves the neutral otherwise than it is said to be.',
    look: 'Measure neutral to frame as it is now, and look again whether the jumper or plug is still there.',
    doubts: ['source.neutralBond', 'source.bondAltered'],
    find: (look) => {
      const [said, altered] = [look.peek('source.neutralBond'), look.peek('source.bondAltered')];
      const made = altered === 'jumper' || altered === 'plug';
      if (!look.asks('source.bondAltered')) return undefined;
      return (said === 'floating' && made) || (said === 'bonded' && altered === 'removed')
        ? { facts: ['source.neutralBond', 'source.bondAltered'] }
        : undefined;
    },
  },
  {
    id: 'source/receptacle-in-use',
    says: 'The receptacle in use is itself one of 120 V, 15 or 20 A.',
    look: 'Look at the faces of the receptacles again.',
    doubts: ['source.outlet', 'source.receptacles120'],
    find: (look) =>
      isSmall120(look) && look.asks('source.receptacles120') && look.peek('source.receptacles120') === 'none-fitted'
        ? { facts: ['source.outlet', 'source.receptacles120'] }
        : undefined,
  },
  {
    id: 'source/gfci-of-the-one-in-use',
    says: 'If each of the small receptacles has a GFCI, so has the one in use.',
    look: 'Look for the test button again: one breaker may serve several.',
    doubts: ['source.outletGfci', 'source.receptacles120'],
    given: ['source.outlet'],
    find: (look) =>
      isSmall120(look) &&
      look.asks('source.receptacles120') &&
      look.asks('source.outletGfci') &&
      look.peek('source.receptacles120') === 'protected' &&
      look.peek('source.outletGfci') === 'no'
        ? { facts: ['source.outletGfci', 'source.receptacles120'] }
        : undefined,
  },
  {
    id: 'source/permanent-with-a-cord',
    says: 'What is wired permanently has no plug.',
    look: 'Look again how the source is connected: a cord that a hand can unplug, or fixed wiring.',
    doubts: ['source.connection', 'cord.sourceEnd'],
    find: (look) => {
      if (!look.asks('source.connection') || look.peek('source.connection') !== 'permanent') return undefined;
      const plug = recordedOf(look, 'cord')
        .map((i) => cordAt(i).sourceEnd)
        .find((path) => look.peek(path) !== undefined);
      return plug && { facts: ['source.connection', plug] };
    },
  },
  {
    id: 'source/no-device-with-a-rating',
    says: 'Where there is no breaker there is no number on it.',
    look: 'Look again for a breaker or button that belongs to this receptacle.',
    doubts: ['source.outletDevice', 'source.outletBreakerA'],
    find: (look) =>
      look.peek('source.outletDevice') === 'none' && look.peek('source.outletBreakerA') !== undefined
        ? { facts: ['source.outletDevice', 'source.outletBreakerA'] }
        : undefined,
  },
  {
    id: 'cord/shorter-than-its-way',
    says: 'A cord that goes in through an opening is at least as long as the way from the source to the nearest one.',
    look: 'Tape both again, and follow the cord.',
    doubts: ['cord.lengthFt', 'cord.run', 'siting.openingFt'],
    find: (look) => {
      if (!look.asks('siting.openingFt')) return undefined;
      const openingFt = look.peek('siting.openingFt');
      const cords = recordedOf(look, 'cord');
      const lengths = cords.map((i) => look.peek(cordAt(i).lengthFt));
      if (openingFt === undefined || lengths.includes(undefined)) return undefined;
      const inside = cords.find((i) => ENTERS.includes(look.peek(cordAt(i).run)));
      const lengthFt = lengths.reduce<number>((sum, one) => sum + one!, 0);
      if (inside === undefined || lengthFt >= openingFt) return undefined;
      return { facts: ['siting.openingFt', cordAt(inside).run, ...cords.map((i) => cordAt(i).lengthFt)] };
    },
  },
  {
    id: 'inlet/indoors-and-cord-free',
    says: 'From an engine outdoors to an inlet indoors the cord goes through a door, a window or a wall.',
    look: 'Follow the cord from end to end, and look again where the inlet is.',
    doubts: ['inlet.box', 'cord.run'],
    given: ['source.kind', 'siting.place'],
    find: (look) => {
      const cords = recordedOf(look, 'cord');
      return look.asks('inlet.box') &&
        look.peek('inlet.box') === 'dry' &&
        look.peek('source.kind') === 'engine' &&
        look.peek('siting.place') === 'outdoors' &&
        cords.length > 0 &&
        cords.every((i) => look.peek(cordAt(i).run) === 'free')
        ? { facts: ['inlet.box', ...cords.map((i) => cordAt(i).run)] }
        : undefined;
    },
  },
  {
    id: 'inlet/dead-and-live',
    says: 'The detector was silent, and the meter finds volts at the same pins.',
    look: 'Try the detector on a live conductor, and measure again at low impedance: ghost volts fall to nothing.',
    doubts: ['inlet.pinsDead', 'function.pinsV', 'function.pinsLowZV'],
    ends: 'function.pinsLowZV',
    find: (look) => {
      if (!look.asks('function.pinsV') || look.peek('inlet.pinsDead') !== 'yes') return undefined;
      const mostV = look.aside().number('deadPinsV');
      const highV = look.peek('function.pinsV') ?? 0;
      if (highV <= mostV) return undefined;
      const lowV = look.peek('function.pinsLowZV');
      if (lowV === undefined) return { facts: ['inlet.pinsDead', 'function.pinsV'], ends: 'function.pinsLowZV' };
      return lowV > mostV ? { facts: ['inlet.pinsDead', 'function.pinsLowZV'] } : undefined;
    },
  },
  {
    id: 'feeder/attic-cooler-than-the-air',
    says: 'An attic under a roof is no cooler on the hottest day than the air outside.',
    look: 'Read it again on a hot day; one that is heated and cooled is another thing.',
    doubts: ['feeder.stretches.ambientF', 'source.airF'],
    given: ['feeder.stretches.place'],
    ends: 'feeder.stretches.conditioned',
    find: (look) =>
      recordedOf(look, 'feeder.stretches').flatMap((i) => {
        const at = stretchAt(i);
        if (!look.asks(at.conditioned) || !look.asks('source.airF') || look.peek(at.conditioned) === 'yes') return [];
        return [{ facts: [at.ambientF, 'source.airF'], ends: at.conditioned }];
      }),
  },
  {
    id: 'feeder/more-carry-than-are-there',
    says: 'No more conductors carry current than there are in the raceway.',
    look: 'Count them again where the raceway is open.',
    doubts: ['feeder.stretches.otherCarrying', 'feeder.stretches.othersInRaceway'],
    find: (look) =>
      recordedOf(look, 'feeder.stretches').flatMap((i) => {
        const at = stretchAt(i);
        return look.asks(at.othersInRaceway) &&
          (look.peek(at.otherCarrying) ?? 0) > (look.peek(at.othersInRaceway) ?? Infinity)
          ? [{ facts: [at.otherCarrying, at.othersInRaceway] }]
          : [];
      }),
  },
];

/** Ways of a cord by which it comes into the house. */
const ENTERS: readonly unknown[] = ['through-wall', 'through-opening'];

function isSmall120(look: Look): boolean {
  const outlet = look.peek('source.outlet');
  return outlet !== undefined && CONFIGURATIONS[outlet].poles === 2 && CONFIGURATIONS[outlet].ratingA <= 20;
}
