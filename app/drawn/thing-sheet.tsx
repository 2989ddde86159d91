import { memo, useEffect, useMemo, useRef } from 'react';
import { View } from 'react-native';
import Svg from 'react-native-svg';
import type { Case } from '@careful-latch/core/case';
import type { Positions } from '@careful-latch/core/interlock';
import { Pen, type Place } from './list';
import { pictureOf } from './picture';
import { Rendered } from './rendered';
import { Sign } from './signs';
import { Target, placed, type Hung, type Seen } from './spot';
import { drawState, gapOf } from './states';
import { drawTag, tagPlace, tagWords } from './tags';
import { Shown, THING_WIDTH as WIDTH, type Tag, type Thing } from './things/thing';

const AT_REST: Positions = {};

/** A thing as it hangs at the house, its parts as targets over it: real buttons in walking order; the picture itself is hidden from screen readers. */
export const ThingSheet = memo(function ThingSheet({
  thing,
  site,
  entry,
  parts,
  onTouch,
  at: stands = AT_REST,
}: {
  thing: Thing;
  site: Case;
  entry: number;
  parts: readonly Hung[];
  onTouch: (id: string) => void;
  /** Where the parts of what moves stand. */
  at?: Positions | undefined;
}) {
  const shown = useMemo(() => new Shown(site, thing.stations, entry), [site, thing, entry]);
  const picture = useMemo(() => pictureOf(thing, shown, stands), [thing, shown, stands]);
  const slots = [...(thing.slots ?? [])];
  const hung = parts.map((seen) => {
    const id = seen.here.part.id;
    const at = thing.places[id];
    const slot = at || thing.tags[id] ? undefined : slots.shift();
    const tag: Tag | undefined = thing.tags[id] ?? (slot && { at: slot });
    const words = tag && tagWords(site, seen.here, thing.shows, at === undefined, seen.state);
    return { seen, at, tag: words && tag, words };
  });
  // What is asked about is in sight.
  const sheet = useRef<View>(null);
  const inHand = parts.find((one) => one.inHand)?.id;
  useEffect(() => {
    const place = (sheet.current as unknown as HTMLElement | null)?.querySelector('[aria-pressed=true]');
    place?.scrollIntoView({ block: 'nearest' });
  }, [inHand]);
  const height = Math.max(thing.height, ...hung.map(({ tag }) => (tag ? tag.at[1] + 56 : 0)));
  const over = new Pen();
  for (const { seen, at, tag, words } of hung) {
    if (tag && words) drawTag(over, tag, words, seen.state);
    const stood = at ?? (tag && tagPlace(tag));
    if (stood) drawState(over, stood, { ...seen, onTag: at === undefined });
  }
  const targets: [Seen, Place][] = hung.flatMap(({ seen, at, tag }) => {
    const own = at ?? (tag && tagPlace(tag));
    return own ? [[seen, own] as [Seen, Place]] : [];
  });
  return (
    <View ref={sheet} style={{ aspectRatio: WIDTH / height, marginHorizontal: -12 }}>
      <Svg width="100%" height="100%" viewBox={`0 0 ${WIDTH} ${height}`} aria-hidden>
        <Rendered list={picture} />
        <Rendered list={over.list()} />
      </Svg>
      {hung.map(({ seen, at, tag }) => {
        const stood = at ?? (tag && tagPlace(tag));
        if (!stood || (seen.state !== 'hazard' && seen.state !== 'violated')) return null;
        return (
          <View key={seen.id} pointerEvents="none" style={placed(gapOf(stood), height, WIDTH)}>
            <Sign kind="violation" hazard={seen.state === 'hazard'} size={22} />
          </View>
        );
      })}
      {targets.map(([seen, at]) => (
        <Target key={seen.id} {...seen} at={at} of={WIDTH} height={height} onTouch={onTouch} />
      ))}
    </View>
  );
});
