import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { NOT_SEEN, valueText, type Case } from '@careful-latch/core/case';
import { Look } from '@careful-latch/core/electrical';
import { legOf, legSums, plannedLoads } from '@careful-latch/core/loads';
import { TARGET, cut, usePalette } from '../theme/theme';
import { Quiet, Reading, Words } from '../theme/words';

/** Rows of handles that are shown at full size; the map beside them holds the rest. */
const ROWS = 6;
const MOST_SLOTS = 42;

interface Circuit {
  readonly index: number;
  readonly slot: number;
  readonly name: string;
  readonly two: boolean;
  /** The letter of the pair that shares a neutral; undefined where it has its own, or nobody has said. */
  readonly pair: string | undefined;
  readonly state: 'run' | 'off' | 'open';
}

function circuitsOf(site: Case): readonly Circuit[] {
  return (site.loads?.circuits ?? []).flatMap(({ slot, use, volts, plan, neutralGroup }, index) =>
    typeof slot !== 'number'
      ? []
      : [
          {
            index,
            slot,
            name: use === undefined ? '' : valueText('loads.circuits[0].use', use),
            two: volts === '240',
            pair: neutralGroup === 'own' || neutralGroup === NOT_SEEN ? undefined : neutralGroup,
            state:
              plan === undefined || plan === NOT_SEEN
                ? ('open' as const)
                : plan === 'off'
                  ? ('off' as const)
                  : ('run' as const),
          },
        ],
  );
}

/** The panel's handles on their bus. A slot is touched to say what is in it; seven rows at full size, the whole beside them. */
export function PanelHandles({
  site,
  inHand,
  pairing,
  onSlot,
}: {
  site: Case;
  inHand: number | undefined;
  /** The circuit that waits for the one that shares its neutral. */
  pairing: number | undefined;
  onSlot: (slot: number, index: number | undefined) => void;
}) {
  const palette = usePalette();
  const [band, setBand] = useState(0);
  const circuits = circuitsOf(site);
  const at = (slot: number) => circuits.find((one) => one.slot === slot || (one.two && one.slot + 2 === slot));
  const bands = Math.ceil(MOST_SLOTS / 2 / ROWS);
  return (
    <View style={{ flexDirection: 'row', gap: 8 }}>
      <View role="group" aria-label="The whole panel" style={{ width: TARGET, gap: 2 }}>
        {Array.from({ length: bands }, (_, i) => {
          const from = i * ROWS * 2;
          const taken = circuits.filter((one) => one.slot > from && one.slot <= from + ROWS * 2);
          return (
            <Pressable
              key={i}
              role="button"
              aria-pressed={i === band}
              aria-label={`Slots ${from + 1} to ${Math.min(from + ROWS * 2, MOST_SLOTS)}`}
              onPress={() => setBand(i)}
              style={{
                flex: 1,
                minHeight: TARGET,
                borderWidth: i === band ? 3 : 1,
                borderColor: i === band ? palette.copper : palette.quiet,
              }}
            >
              <Svg width="100%" height="100%" viewBox={`0 0 20 ${ROWS * 4}`} preserveAspectRatio="none" aria-hidden>
                {taken.map(({ slot, index }) => {
                  const row = Math.ceil((slot - from) / 2) - 1;
                  return (
                    <Path
                      key={index}
                      d={slot % 2 === 1 ? `M1 ${row * 4 + 2}H9` : `M11 ${row * 4 + 2}H19`}
                      stroke={palette.ink}
                      strokeWidth={2.4}
                    />
                  );
                })}
              </Svg>
            </Pressable>
          );
        })}
      </View>
      <View style={{ flex: 1 }}>
        {Array.from({ length: ROWS }, (_, row) => {
          const odd = (band * ROWS + row) * 2 + 1;
          if (odd > MOST_SLOTS) return null;
          return (
            <View key={odd} style={{ flexDirection: 'row', alignItems: 'stretch' }}>
              {[odd, odd + 1].map((slot) => {
                const circuit = at(slot);
                return (
                  <Slot
                    key={slot}
                    slot={slot}
                    circuit={circuit}
                    inHand={circuit !== undefined && circuit.index === (pairing ?? inHand)}
                    onPress={() => onSlot(slot, circuit?.index)}
                  />
                );
              })}
            </View>
          );
        })}
        <LegColumns site={site} />
      </View>
    </View>
  );
}

function Slot({
  slot,
  circuit,
  inHand,
  onPress,
}: {
  slot: number;
  circuit: Circuit | undefined;
  inHand: boolean;
  onPress: () => void;
}) {
  const palette = usePalette();
  const left = slot % 2 === 1;
  const words = circuit ? circuit.name || 'what?' : '';
  return (
    <Pressable
      role="button"
      testID={`slot-${slot}`}
      aria-label={`${slot}${words && ` ${words}`}, slot on leg ${legOf(slot)}${circuit ? (circuit.state === 'off' ? ', stays off' : '') + (circuit.pair ? `, shares neutral ${circuit.pair}` : '') : ', nobody has looked'}`}
      aria-pressed={inHand}
      onPress={onPress}
      style={
        {
          flex: 1,
          height: TARGET,
          flexDirection: left ? 'row' : 'row-reverse',
          alignItems: 'center',
          gap: 6,
          paddingHorizontal: 4,
          [left ? 'borderRightWidth' : 'borderLeftWidth']: 2,
          borderColor: palette.copper,
          backgroundColor: circuit ? palette.sheet : undefined,
          outlineStyle: inHand ? 'solid' : undefined,
          outlineColor: palette.copper,
          outlineWidth: inHand ? 3 : 0,
          outlineOffset: -3,
        } as object
      }
    >
      <Reading
        style={{
          fontSize: 15,
          width: 24,
          textAlign: left ? 'left' : 'right',
          color: circuit ? palette.ink : palette.quiet,
        }}
      >
        {slot}
      </Reading>
      <Words numberOfLines={1} style={{ flex: 1, fontSize: 14, lineHeight: 18, textAlign: left ? 'left' : 'right' }}>
        {words && ` ${words}`}
      </Words>
      {circuit?.pair !== undefined && <Reading style={{ fontSize: 14, lineHeight: 18 }}>{`N${circuit.pair}`}</Reading>}
      <View
        style={{
          width: 22,
          height: 14,
          backgroundColor: circuit?.state === 'run' ? palette.copper : undefined,
          borderWidth: circuit ? 2 : 1,
          borderColor: circuit ? palette.ink : palette.quiet,
          ...cut(5),
        }}
      />
    </Pressable>
  );
}

/** What is meant to run, leg by leg, beside what a leg of the source gives. */
function LegColumns({ site }: { site: Case }) {
  const palette = usePalette();
  const loads = new Look(site).attempt((look) => plannedLoads(look)).value;
  const watts = site.source?.runningW;
  const half = typeof watts === 'number' ? watts / 2 : undefined;
  if (!loads || half === undefined) return null;
  const sums = legSums(loads);
  return (
    <View
      role="img"
      aria-label={`Leg A ${sums.A} W, leg B ${sums.B} W, of ${half} W each`}
      style={{ paddingTop: 6, gap: 2 }}
    >
      {(['A', 'B'] as const).map((leg) => {
        const over = sums[leg] > half;
        return (
          <View key={leg} style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
            <Reading style={{ fontSize: 15, width: 14 }}>{leg}</Reading>
            <View style={{ flex: 1, height: 12, borderWidth: 1, borderColor: palette.quiet }}>
              <View
                style={{
                  height: 10,
                  width: `${Math.min(100, (sums[leg] / half) * 100)}%`,
                  backgroundColor: over ? palette.violation : palette.copper,
                }}
              />
            </View>
            <Quiet
              color={over ? palette.violation : undefined}
              style={{ fontSize: 14, lineHeight: 18 }}
            >{`${sums[leg]} of ${half} W`}</Quiet>
          </View>
        );
      })}
    </View>
  );
}
