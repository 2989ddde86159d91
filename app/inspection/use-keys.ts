import { useRouter } from 'expo-router';
import { useLayoutEffect } from 'react';
import { STATIONS } from '@careful-latch/core/case';
import { isElsewhere } from '../theme/elsewhere';
import { undo } from '../stores/inspections';
import { toFindOut } from './answers';
import { useStation } from './use-inspection';
import type { Walk } from './walk';

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

/** Where a number is typed that is in hand; null where none is asked. */
const typedInHand = () => document.querySelector<HTMLElement>('[data-testid="plates"] input[aria-label$=", typed"]');

/** What the keys do, as their sheet says it. */
export const KEYS: readonly (readonly [keys: string, words: string])[] = [
  ['1 to 9', 'take a plate of what is in hand; where a number is asked, type it'],
  ['0 or x', 'not seen; where a number is asked, x'],
  ['n', 'the next fact that is not proved'],
  ['u', 'take the last entry back'],
  ['] and [', 'the next station, the one before'],
  ['/', 'find a fact, a part, a rule; on a list, an address'],
  ['f', 'findings'],
  ['d', 'decide and sign'],
  ['w', 'the whole wall'],
  ['?', 'these keys, on every screen'],
];

/** Listens to the keys of a house. */
export function useKeys(walk: Walk | undefined): void {
  const router = useRouter();
  const station = useStation();
  // Before the screen is painted: a key that is pressed at the first plate seen must not be lost.
  useLayoutEffect(() => {
    if (!walk) return;
    const id = walk.inspection.id;
    const at = station ? STATIONS.indexOf(station) : -1;
    const go = (to: string) => router.navigate(`/inspection/${id}/${to}` as never);
    const plate = (digit: number) => {
      const plates = platesInHand();
      const wanted = digit === 0 ? plates.at(-1) : plates[digit - 1];
      wanted?.focus();
      wanted?.click();
    };
    const acts: Readonly<Record<string, () => void>> = {
      ']': () => at < STATIONS.length - 1 && go(STATIONS[at + 1]!),
      '[': () => at > 0 && go(STATIONS[at - 1]!),
      f: () => go('findings'),
      d: () => go('decide'),
      w: () => go(''),
      u: () => undo(id),
      x: () => plate(0),
      n: () => {
        const [next] = toFindOut(walk.evaluation);
        if (next) go(`${next.station}?fact=${encodeURIComponent(next.paths[0]!)}`);
      },
      '/': () => document.querySelector<HTMLElement>('[aria-label="Find"]')?.click(),
    };
    const onKey = (event: KeyboardEvent) => {
      if (isElsewhere(event)) return;
      const field = /^\d$/.test(event.key) ? typedInHand() : null;
      if (field) return field.focus(); // the digit goes where a number is asked
      const act = /^\d$/.test(event.key) ? () => plate(Number(event.key)) : acts[event.key];
      if (!act) return;
      act();
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [walk, station, router]);
}
