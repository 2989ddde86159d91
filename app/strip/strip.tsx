import { memo, useState, type ReactNode } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import {
  STATION_NAMES,
  factAt,
  factLabel,
  isKnown,
  isSimulated,
  metaOf,
  offered,
  partName,
  valueText,
  type Case,
  type Station,
} from '@careful-latch/core/case';
import type { Trial } from '@careful-latch/core/interlock';
import { isMetered, movesTo, placeOf, type Reading } from '@careful-latch/core/walk';
import { Face, WireEnd } from '../drawn/faces';
import { Sign, colorOf, severityWord, shownAs } from '../drawn/signs';
import { FactPlates } from '../plates/fact-field';
import { Plate, Plates } from '../plates/plate';
import { usePreferences } from '../stores/preferences';
import { Button } from '../theme/elements';
import { TARGET, stylesOf, usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';
import type { useHand } from '../wall/hand';
import { PutAside } from './put-aside';
import { SaidTogether } from './said-together';
import { ToldNow } from './told';
import { useDeaf } from './use-deaf';

type Hand = ReturnType<typeof useHand>;

/** As many readings as a thumb reaches; the others are a touch away. */
const FIRST_READINGS = 8;

/** What is left of the strip’s height; on a low phone the strip grows for it. */
const TWO_ROWS_AT_LEAST = { flexGrow: 1, flexBasis: 0, minHeight: 128 } as const;

const useStyles = stylesOf((palette) => ({
  strip: {
    borderTopWidth: 2,
    borderColor: palette.copper,
    backgroundColor: palette.paper,
    paddingHorizontal: 12,
    paddingTop: 6,
    paddingBottom: 8,
    gap: 6,
  },
  bar: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'stretch', gap: 12 },
  answer: { flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 24 },
  answerWords: { flex: 1, fontSize: 16, lineHeight: 21 },
  question: { flexShrink: 1, fontSize: 19, lineHeight: 24, fontWeight: '700' },
  known: {
    minHeight: TARGET,
    justifyContent: 'center',
    paddingHorizontal: 10,
    borderWidth: 1,
    borderColor: palette.hairline,
  },
  knownInHand: { borderColor: palette.copper },
  knownName: { fontSize: 14, lineHeight: 16 },
  knownValue: { fontSize: 15, lineHeight: 19, fontWeight: '700' },
}));

/** What stands under the thumb: the answer, the question for the part in hand, its plates; “not seen” and Undo always in their corners. */
export function Strip({
  site,
  station,
  hand: { inHand, acts },
  there,
  trials,
  canUndo,
  onNext,
  onMeter,
  instead,
  onHelp,
  evidence,
  save,
  heightPx,
}: {
  site: Case;
  station: Station;
  hand: Hand;
  trials: readonly Trial[];
  /** Address of the house whose kinds of parts are offered first. */
  there: string | undefined;
  canUndo: boolean;
  onNext: (station: Station | undefined) => void;
  /** Asks the meter for some facts, with what a reading says beside them. */
  onMeter: (paths: readonly string[], reading?: Reading) => void;
  /** What stands in place of the plates meanwhile: what the meter says, or photos and notes. */
  instead: ReactNode;
  /** How to look at the part in hand. */
  onHelp: () => void;
  /** The way to the photos and notes of the fact in hand. */
  evidence: ReactNode;
  save: ReactNode;
  /** One height, whatever is asked, so that neither drawing nor thumb has to look for its place; undefined where letters are too large for one. */
  heightPx: number | undefined;
}) {
  const styles = useStyles();
  const palette = usePalette();
  const help = usePreferences((one) => one.help);
  const left = usePreferences((one) => one.leftHanded);
  const { here, answer, told, stays, doubt, next, trouble, waitsFor, ahead, hazardFirst, open, step, pairing } = inHand;
  /** A hazard has the strip to itself: nothing is asked beside it. */
  const hazard = told[0]?.severity === 'hazard';
  const question = hazard ? undefined : inHand.question;
  const known = hazard ? [] : inHand.known;
  const what = `${here?.id ?? station} ${question?.kind === 'fact' ? question.path : (question?.kind ?? 'done')}`;
  const deaf = useDeaf(what);
  const [all, setAll] = useState<string>();
  const path = question?.kind === 'fact' ? question.path : undefined;
  const meta = path === undefined ? undefined : metaOf(path);
  const asks =
    pairing !== undefined
      ? `${entryName(site, `loads.circuits[${pairing}]`)}: now the handle that shares its neutral`
      : question?.kind === 'glance'
        ? question.glance.asks
        : question?.kind === 'so'
          ? 'Which of these is not so?'
          : meta
            ? `${meta.label}${meta.unit && meta.unit !== 'AWG' ? `, ${meta.unit}` : ''}`
            : undefined;
  const own = path === undefined ? [] : trials.filter((one) => one.fact === path);
  const readings = question?.kind === 'glance' ? question.readings : [];
  const shown = all === what ? readings : readings.slice(0, FIRST_READINGS);
  const part = here?.entry === undefined ? undefined : entryName(site, here.entry);
  const bar = [
    <Plate
      key="not-seen"
      role="button"
      quiet
      disabled={question === undefined}
      deaf={deaf}
      label="Not seen"
      onPress={acts.notSeen}
    />,
    <View key="middle" style={{ flex: 1, flexDirection: 'row', justifyContent: 'center', gap: 12 }}>
      {asks === undefined && evidence}
      {question?.kind === 'glance' && (
        <Plate role="button" quiet deaf={deaf} label="One after the other" onPress={acts.one} />
      )}
      {question?.kind !== 'glance' && stays && !hazard && (
        <Plate role="button" label="Go on" deaf={deaf} onPress={acts.goOn} />
      )}
    </View>,
    <Plate key="undo" role="button" quiet disabled={!canUndo} label="Undo" onPress={acts.takeBack} />,
  ];
  /** What is said together, and a hazard, take of the drawing’s room what they need. */
  const grows = question?.kind === 'so' || told.length > 0;
  return (
    <View
      testID="strip"
      role="region"
      aria-label="What is in hand"
      style={[
        styles.strip,
        heightPx !== undefined && (question !== undefined || stays || grows) && { minHeight: heightPx },
      ]}
    >
      <View aria-live="polite" style={styles.answer}>
        {trouble !== undefined ? (
          <Words role="alert" color={palette.violation} style={{ fontSize: 16, lineHeight: 21 }}>
            {trouble}
          </Words>
        ) : told.length > 0 ? null : answer ? (
          <>
            <Sign kind={shownAs(answer)} hazard={answer.severity === 'hazard'} size={18} />
            <Words color={colorOf(palette, shownAs(answer))} style={styles.answerWords}>
              {`${severityWord(answer.outcome, answer.severity)}: ${answer.reason}`}
            </Words>
          </>
        ) : null}
      </View>
      <PutAside step={step} />
      {told.length > 0 && (
        <ScrollView style={{ maxHeight: hazard ? 430 : 190, flexGrow: 0 }}>
          <ToldNow told={told} station={station} onSee={acts.pick} onGoOn={acts.goOn} />
        </ScrollView>
      )}
      {here && known.length > 0 && (stays || question?.kind === 'fact') && (
        <ScrollView
          horizontal
          showsHorizontalScrollIndicator={false}
          style={{ flexGrow: 0, flexShrink: 0 }}
          contentContainerStyle={{ gap: 8 }}
        >
          {known.map((one) => (
            <Known
              key={one}
              path={one}
              of={here.part.every && one.includes('[') ? entryName(site, one) : undefined}
              value={factAt(site, one)}
              simulated={isSimulated(site, one)}
              inHand={one === path}
              onTouch={acts.change}
            />
          ))}
        </ScrollView>
      )}
      {asks !== undefined && (
        <View style={{ flexDirection: 'row', gap: 8, alignItems: 'flex-start' }}>
          <View aria-live="polite" style={{ flex: 1 }}>
            <Asked onHelp={help ? onHelp : undefined}>
              <Words testID="question" style={styles.question}>
                {part !== undefined && <Words style={{ fontSize: 19, lineHeight: 24 }}>{`${part}: `}</Words>}
                {asks}
              </Words>
            </Asked>
            {help && meta && <Quiet>{meta.ask}</Quiet>}
            {own.map(({ given, attempt }) => (
              <Words key={`${given} ${attempt}`} style={{ fontSize: 16, lineHeight: 21 }}>
                {`${given}: `}
                <Words style={{ fontSize: 16, lineHeight: 21, fontWeight: '700' }}>{attempt}</Words>
              </Words>
            ))}
          </View>
          {evidence}
        </View>
      )}
      <ScrollView
        style={heightPx === undefined || grows ? { maxHeight: grows ? 430 : 292, flexGrow: 1 } : TWO_ROWS_AT_LEAST}
        contentContainerStyle={{ paddingBottom: 2 }}
        testID="plates"
      >
        {instead ??
          (question?.kind === 'so' ? (
            <SaidTogether
              lines={question.lines}
              begun={known.length > 0}
              onLine={acts.change}
              onAllSo={() => acts.allSo(question.lines)}
            />
          ) : question?.kind === 'glance' ? (
            <Plates label={question.glance.asks}>
              {shown.map((reading) => (
                <Plate
                  key={reading.label}
                  role="button"
                  deaf={deaf}
                  label={reading.label}
                  {...(reading === question.asThere && { note: `as at ${there}` })}
                  inline
                  style={{ width: '48.5%', minHeight: 56 }}
                  {...(drawingOf(reading) && { drawing: drawingOf(reading)! })}
                  onPress={() =>
                    reading.measures
                      ? onMeter(acts.measures(reading), reading)
                      : acts.read(reading, question.glance.how ?? 'reading')
                  }
                />
              ))}
              {shown.length < readings.length && (
                <Plate role="button" quiet label="Others" onPress={() => setAll(what)} />
              )}
            </Plates>
          ) : path !== undefined ? (
            <View style={{ pointerEvents: deaf ? 'none' : 'auto', gap: 8 }} aria-busy={deaf}>
              {doubt !== undefined && (
                <>
                  <Words testID="doubt" style={{ fontSize: 16, lineHeight: 21 }}>
                    {doubt}
                  </Words>
                  <Plate
                    role="button"
                    label={`Still so: ${valueText(path, factAt(site, path))}`}
                    onPress={() => acts.answer(path, factAt(site, path) as string | number)}
                  />
                </>
              )}
              {isMetered(path) && <Plate role="button" label="Take the reading" onPress={() => onMeter([path])} />}
              <FactPlates
                path={path}
                value={factAt(site, path)}
                choices={offered(site, path)}
                notSeen={false}
                onRecord={acts.answer}
              />
            </View>
          ) : open || hazard ? null : (
            <Done
              station={station}
              words={stays ? undefined : hazardFirst ? HAZARD_FIRST : emptyWords(station, waitsFor, ahead)}
              next={next}
              onNext={onNext}
            />
          ))}
      </ScrollView>
      <View style={styles.bar}>{left ? bar.toReversed() : bar}</View>
      {save}
    </View>
  );
}

/** A fact of the part in hand that is recorded already: touched, it is asked again. Drawn anew where it says something else. */
const Known = memo(function Known({
  path,
  of,
  value,
  simulated,
  inHand,
  onTouch,
}: {
  path: string;
  /** Whose it is, where those of several stand side by side. */
  of: string | undefined;
  value: unknown;
  /** A reading of the simulated meter, which proves nothing. */
  simulated: boolean;
  inHand: boolean;
  onTouch: (path: string) => void;
}) {
  const styles = useStyles();
  return (
    <Pressable
      role="button"
      testID={`known-${path}`}
      onPress={() => onTouch(path)}
      style={[styles.known, inHand && styles.knownInHand]}
    >
      <Quiet style={styles.knownName}>{of === undefined ? metaOf(path).label : `${of}: ${metaOf(path).label}`}</Quiet>
      <Words style={styles.knownValue}>{`${valueText(path, value)}${simulated ? ', simulated' : ''}`}</Words>
    </Pressable>
  );
});

/** The question; where help is wanted, touching it shows how to look. */
function Asked({ onHelp, children }: { onHelp: (() => void) | undefined; children: ReactNode }) {
  const palette = usePalette();
  if (!onHelp) return children;
  return (
    <View style={{ flexDirection: 'row', gap: 8 }}>
      {children}
      <Pressable
        role="button"
        aria-label="How to look at it"
        onPress={onHelp}
        style={{
          minWidth: TARGET,
          minHeight: TARGET,
          marginVertical: -12,
          alignItems: 'center',
          justifyContent: 'center',
        }}
      >
        <Words
          style={{ width: 26, height: 26, lineHeight: 24, textAlign: 'center', borderWidth: 1, borderColor: palette.copper, borderRadius: 13, color: palette.copper }} // prettier-ignore
        >
          ?
        </Words>
      </Pressable>
    </View>
  );
}

/** A cord, run or circuit by its number, and by what it feeds. */
function entryName(site: Case, path: string): string {
  const entry = path.slice(0, path.indexOf(']') + 1);
  const use = factAt(site, `${entry}.use`);
  const name = partName(entry)!;
  return `${name[0]!.toUpperCase()}${name.slice(1)}${isKnown(use) ? `, ${valueText(`${entry}.use`, use)}` : ''}`;
}

function drawingOf({ drawing }: Reading): ((color: string) => ReactNode) | undefined {
  if (!drawing) return undefined;
  const [key, value] = drawing;
  return metaOf(key).drawing === 'wire'
    ? (color) => <WireEnd awg={value as never} color={color} size={24} />
    : (color) => <Face name={value as never} color={color} size={32} />;
}

/** Nobody starts the source to measure while something stands that can kill. */
const HAZARD_FIRST =
  'A hazard stands: do not start the source. What is measured with it running waits until the hazard is corrected; touched, a part still takes what was measured before.';

const emptyWords = (station: Station, waitsFor: string | undefined, ahead: boolean) =>
  waitsFor === undefined
    ? ahead
      ? 'What is asked here depends on what is found out further on.'
      : `${STATION_NAMES[station]}: nothing is left to find out here.`
    : `What is asked here waits for another fact: ${factLabel(waitsFor)}.`;

/** Nothing is open here: where the walk goes, and whether the body has to move for it. */
function Done({
  station,
  words,
  next,
  onNext,
}: {
  station: Station;
  words: string | undefined;
  next: Station | undefined;
  onNext: (station: Station | undefined) => void;
}) {
  const place = next && placeOf(next).name;
  return (
    <View style={{ gap: 8 }}>
      {words !== undefined && <Quiet>{words}</Quiet>}
      <Button
        title={
          next === undefined
            ? 'Findings'
            : movesTo(station, next)
              ? `${place}: ${STATION_NAMES[next]}`
              : `Next: ${STATION_NAMES[next]}`
        }
        onPress={() => onNext(next)}
      />
    </View>
  );
}
