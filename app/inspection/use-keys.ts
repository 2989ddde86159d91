import { useRouter } from 'expo-router';
import { useLayoutEffect } from 'react';
import { STATIONS } from '@careful-latch/core/case';
import { undo } from '../stores/inspections';
import { toFindOut } from './answers';
import { useStation } from './use-inspection';
import type { Walk } from './walk';

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);

const within = (place: Element | null | undefined, what: string) => [
  ...(place?.querySelectorAll<HTMLElement>(what) ?? []),
];

/** The plates that number keys choose, “not seen” last: those of the strip, else of the fact that the keyboard is in, or of the first on the sheet. */
function platesInHand(): HTMLElement[] {
  const strip = document.querySelector('[data-testid="strip"]');
  if (strip) {
    const [notSeen] = within(strip, '[aria-label="Not seen"]');
    const plates = within(strip.querySelector('[data-testid="plates"]'), '[role="radio"], [role="button"]');
    return notSeen ? [...plates, notSeen] : plates;
  }
  const fact = document.activeElement?.closest('[id^="fact-"]') ?? document.querySelector('[id^="fact-"]');
  return within(fact, '[role="radio"]');
}

/**
 * Keys of the wide layout: [ and ] walk the stations, 1–9 choose a plate of what is in hand, 0 is "not seen",
 * n goes to the next fact that is unproven, u takes the last entry back, f shows the findings.
 */
export function useKeys(walk: Walk | undefined): void {
  const router = useRouter();
  const station = useStation();
  // Before the screen is painted: a key that is pressed at the first plate seen must not be lost.
  useLayoutEffect(() => {
    if (!walk) return;
    const id = walk.inspection.id;
    const onKey = (event: KeyboardEvent) => {
      if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const at = station ? STATIONS.indexOf(station) : -1;
      const go = (to: string) => router.navigate(`/inspection/${id}/${to}` as never);
      if (event.key === ']' && at < STATIONS.length - 1) go(STATIONS[at + 1]!);
      else if (event.key === '[' && at > 0) go(STATIONS[at - 1]!);
      else if (event.key === 'f') go('findings');
      else if (event.key === 'u') undo(id);
      else if (event.key === 'n') {
        const [next] = toFindOut(walk.evaluation);
        if (next) go(`${next.station}?fact=${encodeURIComponent(next.paths[0]!)}`);
      } else if (/^\d$/.test(event.key)) {
        const plates = platesInHand();
        const plate = event.key === '0' ? plates.at(-1) : plates[Number(event.key) - 1];
        plate?.focus();
        plate?.click();
      } else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [walk, station, router]);
}
