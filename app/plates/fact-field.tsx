import { Input } from '../theme/elements';
import { memo, useCallback, useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { shallow } from 'zustand/shallow';
import { NOT_SEEN, metaOf, oftenReadOtherwise, readAmount, whyNotFact, type FactMeta } from '@careful-latch/core/case';
import type { ConfigurationName, WireSize } from '@careful-latch/core/codebook';
import type { Trial } from '@careful-latch/core/interlock';
import type { Outcome } from '@careful-latch/core/verdict';
import { Face, Pins, WireEnd } from '../drawn/faces';
import { Sign } from '../drawn/signs';
import { usePreferences } from '../stores/preferences';
import { READING_FONT, stylesOf } from '../theme/theme';
import { Quiet, Words } from '../theme/words';
import { OutcomeLine } from '../inspection/outcome-line';
import { Plate, Plates } from './plate';

function drawingOf(meta: FactMeta, value: string) {
  switch (meta.drawing) {
    case 'configuration':
      return (color: string) => <Face name={value as ConfigurationName} color={color} />;
    case 'wire':
      return (color: string) => <WireEnd awg={value as WireSize} color={color} />;
    case 'pins':
      return (color: string) => <Pins out={value === 'pins' || value === 'plug'} color={color} />;
    default:
      return undefined;
  }
}

/** Typing a value that has no plate. A wrong one gets its sentence and stays where it was typed. */
const TypedAmount = memo(function TypedAmount({
  path,
  meta,
  value,
  onRecord,
}: {
  path: string;
  meta: FactMeta;
  value: number | undefined;
  onRecord: (path: string, value: number, asRead?: string) => void;
}) {
  const [text, setText] = useState(value === undefined ? '' : String(value));
  const [wrong, setWrong] = useState<string>();
  const take = () => {
    if (text.trim() === '') return;
    const read = readAmount(meta, text);
    const why = read.ok ? whyNotFact(path, read.value) : read.why;
    setWrong(why?.replace(`${path}: `, ''));
    if (read.ok && !why && read.value !== value) onRecord(path, read.value, read.asRead);
  };
  return (
    <Input
      value={text}
      onChangeText={(next) => {
        setText(next);
        setWrong(undefined);
      }}
      onBlur={take}
      onSubmitEditing={take}
      inputMode={oftenReadOtherwise(meta.unit) ? 'text' : 'decimal'}
      aria-label={`${meta.label}, typed`}
      placeholder="Other"
      errorMessage={wrong}
      renderErrorMessage={wrong !== undefined}
      containerStyle={{ maxWidth: wrong ? 320 : 100 }}
      inputStyle={{ fontFamily: READING_FONT, fontSize: 20, minWidth: 0 }}
    />
  );
});

/** One answer of a fact; drawn again only when it is chosen or no longer chosen. */
const FactPlate = memo(function FactPlate({
  meta,
  value,
  label,
  selected,
  onChoose,
}: {
  meta: FactMeta;
  value: string;
  label: string;
  selected: boolean;
  onChoose: (value: string, again: boolean) => void;
}) {
  const notSeen = value === NOT_SEEN;
  return (
    <Plate
      label={label}
      quiet={notSeen}
      inline={notSeen}
      reading={!notSeen && (meta.kind === 'amount' || meta.kind === 'size')}
      drawing={notSeen ? (selected ? undefined : unprovenSign) : drawingOf(meta, value)}
      selected={selected}
      {...(meta.kind === 'yes-no' && !notSeen && { style: HALF })}
      onPress={() => onChoose(value, selected)}
    />
  );
});

/** Of two answers neither is larger than the other. */
const HALF = { flexGrow: 1, flexBasis: '40%', maxWidth: 220 } as const;

const unprovenSign = () => <Sign kind="unproven" size={18} />;

interface Props {
  readonly path: string;
  /** What is recorded: a value, not seen, or undefined where nobody looked. */
  readonly value: unknown;
  /** Outcomes that speak of this fact, to be shown beside it. */
  readonly outcomes: readonly Outcome[];
  /** Takes what was answered; an amount that was read in another unit with the words in which it was read. */
  readonly onRecord: (path: string, value: string | number | null, asRead?: string) => void;
  readonly focused?: boolean;
  /** The moves that this answer stands for. */
  readonly trials?: readonly Trial[];
}

/** A fact's name, and how to find it out. */
const Asked = memo(function Asked({ meta }: { meta: FactMeta }) {
  const help = usePreferences((one) => one.help);
  return (
    <View style={{ gap: 2 }}>
      <Words style={{ fontWeight: '700', fontSize: 19 }}>
        {meta.label}
        {meta.unit && meta.unit !== 'AWG' ? `, ${meta.unit}` : ''}
      </Words>
      {help && <Quiet>{meta.ask}</Quiet>}
    </View>
  );
});

/** The moves to try before the answer is given, for it claims every one of them. */
const Trials = memo(function Trials({ trials }: { trials: readonly Trial[] }) {
  const styles = useStyles();
  return (
    <View role="list" style={styles.trials}>
      {trials.map(({ given, attempt }) => (
        <Words key={`${given} ${attempt}`} role="listitem" style={styles.trial}>
          {given}: <Words style={styles.attempt}>{attempt}</Words>
        </Words>
      ))}
    </View>
  );
});

const NO_TRIALS: readonly Trial[] = [];

/** Facts off the screen are neither laid out nor painted: a sheet may hold fifty of them. */
const OFF_SCREEN_COSTS_NOTHING = { contentVisibility: 'auto', containIntrinsicBlockSize: 'auto 180px' } as object;

const useStyles = stylesOf(({ hairline }) => ({
  trials: { gap: 4, paddingLeft: 12, borderLeftWidth: 2, borderColor: hairline },
  trial: { fontSize: 17, lineHeight: 23 },
  attempt: { fontSize: 17, lineHeight: 23, fontWeight: '700' },
  field: {
    gap: 8,
    paddingVertical: 14,
    borderBottomWidth: 1,
    borderColor: hairline,
    ...OFF_SCREEN_COSTS_NOTHING,
  },
}));

/** The plates of a fact, and a place to type where it is an amount. `not seen` stands with them, unless it has a place of its own. */
export const FactPlates = memo(function FactPlates({
  path,
  value,
  onRecord,
  notSeen = true,
  choices = metaOf(path).choices,
}: Pick<Props, 'path' | 'value' | 'onRecord'> & {
  readonly notSeen?: boolean;
  readonly choices?: FactMeta['choices'];
}) {
  const meta = metaOf(path);
  const typed =
    meta.kind === 'amount' && typeof value === 'number' && !meta.choices.some((one) => Number(one.value) === value);
  const choose = useCallback(
    (chosen: string, again: boolean) => {
      if (again) return; // chosen stays chosen: Undo takes away
      onRecord(path, meta.kind === 'amount' && chosen !== NOT_SEEN ? Number(chosen) : chosen);
    },
    [meta, onRecord, path],
  );
  return (
    <Plates label={meta.label}>
      {choices.map((one) => (
        <FactPlate
          key={one.value}
          meta={meta}
          value={one.value}
          label={one.label}
          selected={meta.kind === 'amount' ? Number(one.value) === value : one.value === value}
          onChoose={choose}
        />
      ))}
      {meta.kind === 'amount' && (
        <TypedAmount
          key={`${path} ${typed ? String(value) : ''}`}
          path={path}
          meta={meta}
          value={typed ? (value as number) : undefined}
          onRecord={onRecord}
        />
      )}
      {notSeen && (
        <FactPlate meta={meta} value={NOT_SEEN} label="Not seen" selected={value === NOT_SEEN} onChoose={choose} />
      )}
    </Plates>
  );
});

/** One fact: its name, how to find it out, its plates, and the answer at once beside it. */
function Field({ path, value, outcomes, onRecord, focused = false, trials = NO_TRIALS }: Props) {
  const styles = useStyles();
  const meta = metaOf(path);
  const place = useRef<View>(null);
  useEffect(() => {
    if (focused) (place.current as unknown as HTMLElement | null)?.scrollIntoView({ block: 'center' });
  }, [focused]);
  return (
    <View ref={place} testID={`fact-${path}`} nativeID={`fact-${path}`} style={styles.field}>
      <Asked meta={meta} />
      {trials.length > 0 && <Trials trials={trials} />}
      <FactPlates path={path} value={value} onRecord={onRecord} />
      {outcomes.map((one) => (
        <OutcomeLine key={one.rule} outcome={one} />
      ))}
    </View>
  );
}

/** Drawn again only when its own value or answers change: a tap must not redraw a whole sheet. */
export const FactField = memo(
  Field,
  (a, b) =>
    a.path === b.path &&
    a.value === b.value &&
    a.focused === b.focused &&
    a.onRecord === b.onRecord &&
    shallow(a.outcomes, b.outcomes) &&
    shallow(a.trials, b.trials),
);
