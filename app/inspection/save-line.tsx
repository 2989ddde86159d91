import { memo } from 'react';
import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';
import { factLabel, valueText } from '@careful-latch/core/case';
import type { SetAside } from '../stores/device';
import { catchUp, readAside, undo, useInspections } from '../stores/inspections';
import { usePhotos } from '../stores/photos';
import { TARGET, usePalette, outline } from '../theme/theme';
import { useSoon } from '../theme/use-soon';
import { signInFor } from '../theme/way-on';
import { Words } from '../theme/words';

/** What was to be recorded, in words; by its address, where this version of the application does not know the fact. */
export function entryOf(path: string, value: string | number | null): string {
  try {
    return `${factLabel(path)}: ${valueText(path, value ?? undefined)}`;
  } catch {
    return `${path}: ${String(value)}`;
  }
}

type Alike = readonly [SetAside, ...SetAside[]];

/** What was set aside, together what is of one house and for one reason. */
function asideTogether(aside: ReadonlyMap<number, SetAside>): Alike[] {
  const groups = new Map<string, [SetAside, ...SetAside[]]>();
  for (const one of aside.values()) {
    const key = `${one.change.inspection} ${one.why}`;
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return [...groups.values()];
}

/** As many of them are named. */
const MOST_NAMED = 6;
function asideText(alike: Alike, address: string | undefined): string {
  const entries = alike.flatMap(({ change }) =>
    change.type === 'facts' ? change.facts.map(({ path, value }) => entryOf(path, value)) : [],
  );
  const named = [...entries.slice(0, MOST_NAMED), ...(entries.length > MOST_NAMED ? ['and more'] : [])].join(', ');
  const what = alike.length === 1 ? 'an entry' : `${alike.length} entries`;
  return `The office cannot take ${what}${address === undefined ? '' : ` of ${address}`}${named && ` (${named})`}: ${alike[0].why} ${alike.length === 1 ? 'It is' : 'They are'} kept on this phone until you tap here.`;
}

/** Where what was entered is, in a small line; and what the office or the device said about it. Follows the answer to a tap. */
export function SaveLine({
  inspection,
  steady = false,
}: {
  inspection?: string;
  /** As high with signal as without: nothing above it moves. */
  steady?: boolean;
}) {
  const photos = usePhotos((one) => one.waiting);
  return <Saved inspection={inspection} steady={steady} store={useSoon(useInspections())} photos={photos} />;
}

const counted = (count: number, one: string, more: string) => `${count} ${count === 1 ? one : more}`;

/** What the office does not have yet, in words; empty where it has all. */
export const toSend = (entries: number, photos: number) =>
  [entries > 0 && counted(entries, 'entry', 'entries'), photos > 0 && counted(photos, 'photo', 'photos')]
    .filter(Boolean)
    .join(' and ');

const Saved = memo(function Saved({
  inspection,
  steady,
  photos,
  store: { asked, byId, waiting, reach, clockOff, aside, deviceTrouble, undos, notUndone },
}: {
  inspection: string | undefined;
  steady: boolean;
  /** Photos that the office does not have whole yet. */
  photos: number;
  store: ReturnType<typeof useInspections.getState>;
}) {
  const palette = usePalette();
  const router = useRouter();
  const canUndo = inspection !== undefined && undos.some((one) => one.inspection === inspection);
  const here = inspection === undefined ? undefined : byId[inspection];
  const [words, color] = deviceTrouble
    ? [deviceTrouble, palette.violation]
    : here?.revision === 0 && waiting === 0 && reach === 'reached' && asked
      ? ['On this phone only: the office has no such inspection.', palette.unproven]
      : reach === 'signed-out'
        ? [`On this phone. Sign in again to send ${toSend(waiting, photos) || 'and fetch'}.`, palette.unproven]
        : reach === 'switched-off'
          ? [
              'Your account was switched off. What you enter goes to the office’s lead, who says what of it is kept.',
              palette.unproven,
            ]
          : waiting === 0 && reach === 'reached'
            ? [
                !asked
                  ? 'Asking the office…'
                  : photos > 0
                    ? `Saved at the office; ${toSend(0, photos)} on the way`
                    : 'Saved at the office',
                palette.quiet,
              ]
            : reach === 'unreachable'
              ? [
                  `Saved on this phone; the office cannot be reached${waiting + photos > 0 ? ` (${toSend(waiting, photos)} to send)` : ''}`,
                  palette.unproven,
                ]
              : ['Saved on this phone, sending…', palette.quiet];
  return (
    <View style={{ gap: 4 }}>
      {asideTogether(aside).map((alike) => (
        <Pressable
          key={alike[0].change.id}
          role="alert"
          onPress={readAside}
          style={{ padding: 10, backgroundColor: palette.sheet, ...outline(palette.violation, true) }}
        >
          <Words color={palette.violation} style={{ fontSize: 16 }}>
            {asideText(alike, byId[alike[0].change.inspection]?.header.address)}
          </Words>
        </Pressable>
      ))}
      {clockOff && (
        <Words role="alert" color={palette.unproven} style={{ fontSize: 16 }}>
          The clock of this phone is wrong. The office dates what you record by its own; set the clock right.
        </Words>
      )}
      {notUndone !== undefined && (
        <Words role="alert" color={palette.violation} style={{ fontSize: 16 }}>
          {notUndone}
        </Words>
      )}
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 12 }}>
        <Pressable
          testID="save-line"
          role={reach === 'reached' ? undefined : 'button'}
          onPress={() => (reach === 'signed-out' ? router.navigate(signInFor(location.pathname)) : void catchUp())}
          style={{
            flex: 1,
            minHeight: steady || canUndo || reach !== 'reached' ? TARGET : 28,
            justifyContent: 'center',
          }}
        >
          <Words aria-live="polite" color={color} style={{ fontSize: 15, lineHeight: 20 }}>
            {words}
          </Words>
        </Pressable>
        {canUndo && (
          <Pressable
            role="button"
            onPress={() => undo(inspection)}
            style={{
              minHeight: TARGET,
              minWidth: TARGET,
              justifyContent: 'center',
              alignItems: 'center',
              paddingHorizontal: 10,
            }}
          >
            <Words style={{ fontWeight: '700', textDecorationLine: 'underline' }}>Undo</Words>
          </Pressable>
        )}
      </View>
    </View>
  );
});
