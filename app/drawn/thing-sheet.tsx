import { memo, useMemo } from 'react';
import { View } from 'react-native';
import Svg from 'react-native-svg';
import type { Case } from '@careful-latch/core/case';
import type { Positions } from '@careful-latch/core/interlock';
import { Pen, type Place } from './list';
import { pictureOf } from './picture';
import { Rendered } from './rendered';
import { Sign } from './signs';
import { Target, placed, type Hung } from './spot';
import { drawState, gapOf } from './states';
import { drawTag, tagPlace, tagWords } from './tags';
import { Shown, THING_WIDTH as WIDTH, type Tag, type Thing } from './things/thing';

const AT_REST: Positions = {};
const JOINED = { state: 'hazard', doubted: false, inHand: false, onTag: false } as const;

/** A thing as it hangs at the house, its parts as targets over it: real buttons in walking order; the picture itself is hidden from screen readers. */
export const ThingSheet = memo(function ThingSheet({
  thing,
  site,
  entry,
  parts,
  onTouch,
  at: stands = AT_REST,
  joined,
}: {
  thing: Thing;
  site: Case;
  entry: number;
  parts: readonly Hung[];
  onTouch: (id: string) => void;
  /** Where the parts of what moves stand. */
  at?: Positions | undefined;
  /** Where both sources are joined as it stands. */
  joined?: Place | undefined;
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
    // A part stands where its form is, else where its tag hangs.
    return { seen, tag: words && tag, words, onTag: at === undefined, stood: at ?? (words && tag && tagPlace(tag)) };
  });
  const height = Math.max(thing.height, ...hung.map(({ tag }) => (tag ? tag.at[1] + 56 : 0)));
  const over = new Pen();
  for (const { seen, tag, words, onTag, stood } of hung) {
    if (tag && words) drawTag(over, tag, words, seen.state);
    if (stood) drawState(over, stood, { ...seen, onTag });
  }
  if (joined) drawState(over, joined, JOINED);
  return (
    <View style={{ aspectRatio: WIDTH / height, marginHorizontal: -12 }}>
      <Svg width="100%" height="100%" viewBox={`0 0 ${WIDTH} ${height}`} aria-hidden>
        <Rendered list={picture} />
        <Rendered list={over.list()} />
      </Svg>
      {hung.map(
        ({ seen, stood }) =>
          stood &&
          (seen.state === 'hazard' || seen.state === 'violated') && (
            <View key={seen.id} pointerEvents="none" style={placed(gapOf(stood), height, WIDTH)}>
              <Sign kind="violation" hazard={seen.state === 'hazard'} size={22} />
            </View>
          ),
      )}
      {joined && (
        <View pointerEvents="none" style={placed(gapOf(joined), height, WIDTH)}>
          <Sign kind="violation" hazard size={22} />
        </View>
      )}
      {hung.map(
        ({ seen, stood }) =>
          stood && <Target key={seen.id} {...seen} at={stood} of={WIDTH} height={height} onTouch={onTouch} />,
      )}
    </View>
  );
});
