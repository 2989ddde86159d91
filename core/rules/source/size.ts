import type { Look } from '../../electrical';

/** Above this the code asks more of a portable source, W (445.20, 702.12). */
const LARGE_W = 15_000;

/** Why a rule for sources above 15 kW (or of 15 kW and less) does not apply. */
export const above15kW =
  (wanted: boolean) =>
  (look: Look): string | undefined => {
    const above = look.need('source.runningW') > LARGE_W;
    return above === wanted ? undefined : above ? 'the source is above 15 kW' : 'the source has 15 kW or less';
  };

export const battery = (look: Look): string | undefined =>
  look.need('source.kind') === 'power-station'
    ? 'a battery power station is no generator; its listing says what protects it'
    : undefined;
