import { cordAt } from '../case';
import { CONFIGURATIONS, everyEdition } from '../codebook';
import { rounded, type Look } from './look';

const PER_SITE = everyEdition('guidance');

/** Continuous watts of the source after fuel, altitude and heat; the maker's own figure first. Throws `Missing` where facts lack. */
export function continuousW(look: Look): number {
  return look.once(computeContinuousW);
}

/** Facts that the watts of the receptacle in use may need. */
export const OUTLET_W_FACTS = ['source.runningW', 'source.outletW', 'source.voltage', 'source.outlet', 'source.selector', 'source.units'] as const; // prettier-ignore

/**
 * Running watts at the receptacle in use: of a 120/240 V source the maker’s figure for its 120 V receptacle, else half, one winding
 * of two; all of it where a selector puts both windings on 120 V. Throws `Missing` where facts lack.
 */
export function outletRunningW(look: Look): number {
  const ratedW = look.need('source.runningW');
  if (look.need('source.voltage') === '120') return ratedW;
  if (CONFIGURATIONS[look.need('source.outlet')].poles === 3) return ratedW;
  if (look.need('source.selector') === '120') return ratedW;
  const own = look.known('source.outletW');
  if (own !== undefined) return look.step('Watts of this receptacle, the maker’s figure', own, 'W', 'maker');
  return look.step('Watts of one winding of two', rounded(ratedW / 2), 'W', `${ratedW} W ÷ 2`);
}

function computeContinuousW(look: Look): number {
  const ratedW = outletRunningW(look);
  if (look.need('source.kind') === 'power-station') return ratedW;
  const maker = look.known('source.makerSiteW');
  // The maker’s figure for the site is of the whole source.
  if (maker !== undefined)
    return look.step(
      'Continuous watts, the maker’s figure',
      rounded(maker * (ratedW / look.need('source.runningW'))),
      'W',
      'maker',
    );
  look.needAll('source.fuel', 'source.altitudeFt', 'source.airF');
  const fuel = look.need('source.fuel');
  const fuelPercent =
    fuel === 'propane' ? look.number('propanePercent') : fuel === 'natural-gas' ? look.number('naturalGasPercent') : 0;
  const altitudePercent =
    (Math.max(0, look.need('source.altitudeFt')) / 1000) * look.number('altitudePercentPer1000Ft');
  const heatPercent = (Math.max(0, look.need('source.airF') - 77) / 10) * look.number('heatPercentPer10F');
  const share = (percent: number) => Math.max(0, 1 - percent / 100);
  return look.step(
    'Continuous watts after fuel, altitude and heat',
    Math.round(ratedW * share(fuelPercent) * share(altitudePercent) * share(heatPercent)),
    'W',
    PER_SITE,
  );
}

/** What the house is fed with: by the receptacle in use and its selector, not by what the nameplate could give. */
export type Feed = '120' | '120/240';
export const FEED_FACTS = ['source.voltage', 'source.outlet', 'source.selector', 'source.units'] as const;

/** The feed of the receptacle in use. Throws `Missing` where facts lack. */
export function feedOf(look: Look): Feed {
  return look.once(computeFeed);
}

function computeFeed(look: Look): Feed {
  if (look.known('source.voltage') === '120') return '120';
  const outlet = look.known('source.outlet');
  if (outlet !== undefined && CONFIGURATIONS[outlet].poles === 2) return '120';
  if (look.known('source.units') === 'parallel-120' || look.known('source.selector') === '120') return '120';
  look.needAll('source.voltage', 'source.outlet', 'source.units', 'source.selector');
  return '120/240';
}

/** Volts of the feed between its ungrounded conductors, or to neutral where there is one: 120 or 240. */
export const feedV = (look: Look): 120 | 240 => (feedOf(look) === '120' ? 120 : 240);

export const BRIDGED_FACTS = ['transfer.kind', ...FEED_FACTS, 'cord.bridges'] as const;

/** Whether both legs of the house hang on one pole of the source: a 120 V feed, or a cord that ties both hots together. */
export function bridged(look: Look): boolean {
  return look.once(computeBridged);
}

function computeBridged(look: Look): boolean {
  if (look.has('singleCircuit') || !look.has('inlet')) return false;
  if (feedOf(look) === '120') return true;
  let any = false;
  for (let i = 0; i < look.cords; i++) any = look.need(cordAt(i).bridges) === 'yes' || any;
  return any;
}
