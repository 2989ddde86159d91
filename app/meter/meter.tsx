import { useCallback, useRef, useState } from 'react';
import { View } from 'react-native';
import { metaOf, valueText } from '@careful-latch/core/case';
import { Plate, Plates } from '../plates/plate';
import { usePalette } from '../theme/theme';
import { Quiet, Reading, Words } from '../theme/words';
import { BEHAVIOURS, takeReadings, type Behaviour, type Taken } from './take-reading';

interface Measuring {
  readonly paths: readonly string[];
  readonly path: string;
  readonly value: number | undefined;
  readonly taken: readonly Taken[];
  readonly why: string | undefined;
}

/** Takes readings from the meter, and keeps what goes on meanwhile. */
export function useMeter(house: string) {
  const [now, setNow] = useState<Measuring>();
  const [behaviour, setBehaviour] = useState<Behaviour>('steady');
  const abort = useRef<AbortController>(undefined);
  const take = useCallback(
    async (paths: readonly string[], onTaken: (taken: readonly Taken[], instrument: string) => void) => {
      abort.current?.abort();
      const controller = (abort.current = new AbortController());
      setNow({ paths, path: paths[0]!, value: undefined, taken: [], why: undefined });
      const { taken, instrument, why } = await takeReadings(
        paths,
        house,
        behaviour,
        (path, value) => setNow((one) => one && { ...one, path, value }),
        controller.signal,
      );
      if (abort.current !== controller) return;
      if (why === undefined) {
        setNow(undefined);
        onTaken(taken, instrument);
      } else setNow((one) => one && { ...one, taken, why });
    },
    [house, behaviour],
  );
  const stop = useCallback(() => {
    abort.current?.abort();
    setNow(undefined);
  }, []);
  return { now, behaviour, setBehaviour, take, stop };
}
type Meter = ReturnType<typeof useMeter>;

/** What the meter says, while it does; and why it says nothing. */
export function MeterPane({
  meter: { now, behaviour, setBehaviour, stop },
  onAgain,
  onType,
}: {
  meter: Meter;
  onAgain: () => void;
  /** A value is typed instead, for the fact that the meter did not give. */
  onType: (path: string) => void;
}) {
  const palette = usePalette();
  if (!now) return null;
  return (
    <View testID="meter" style={{ gap: 8 }}>
      <Quiet>Simulated meter: not an instrument, and no proof of anything.</Quiet>
      {now.why === undefined ? (
        <View aria-live="polite">
          <Words style={{ fontWeight: '700' }}>{metaOf(now.path).label}</Words>
          <Reading style={{ fontSize: 34, lineHeight: 42 }}>
            {now.value === undefined ? '…' : valueText(now.path, now.value)}
          </Reading>
        </View>
      ) : (
        <Words role="alert" color={palette.violation}>
          {now.why}
        </Words>
      )}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {now.why !== undefined && <Plate role="button" label="Take it again" onPress={onAgain} />}
        {now.why === undefined ? (
          <Plate role="button" quiet label="Stop" onPress={stop} />
        ) : (
          <Plate role="button" quiet label="Type it instead" onPress={() => onType(now.path)} />
        )}
      </View>
      {now.why !== undefined && (
        <Plates label="What the simulated meter does">
          {(Object.keys(BEHAVIOURS) as Behaviour[]).map((one) => (
            <Plate key={one} quiet label={one} selected={one === behaviour} onPress={() => setBehaviour(one)} />
          ))}
        </Plates>
      )}
    </View>
  );
}
