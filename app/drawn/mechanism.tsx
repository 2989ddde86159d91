import { useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import Svg, { G, Path, Rect, Text as SvgText } from 'react-native-svg';
import { NOT_SEEN, type Case, type MechanismName } from '@careful-latch/core/case';
import { Look } from '@careful-latch/core/electrical';
import { dangerousSequence, defectsOf, mechanism, type Defects, type Positions } from '@careful-latch/core/interlock';
import { Plate } from '../plates/plate';
import { TEXT_FONT, usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';

const OPEN: Positions = {};

/** A breaker seen from the front: its handle stands towards the bus where it is closed. */
function Handle({
  x,
  y,
  on,
  name,
  violated,
  below = false,
}: {
  x: number;
  y: number;
  on: boolean;
  name: string;
  violated: boolean;
  below?: boolean;
}) {
  const palette = usePalette();
  const color = violated ? palette.violation : palette.ink;
  return (
    <G>
      <Rect x={x} y={y} width={112} height={46} fill={palette.sheet} stroke={color} strokeWidth={2} />
      <Rect
        x={x + 34}
        y={y + 12}
        width={44}
        height={22}
        fill={palette.paper}
        stroke={palette.quiet}
        strokeWidth={1.5}
      />
      <Path
        d={on ? `M${x + 36} ${y + 9}h18l6 6v22h-24Z` : `M${x + 54} ${y + 9}h18l6 6v22h-24Z`}
        fill={on ? palette.copper : palette.quiet}
      />
      <SvgText x={x} y={below ? y + 61 : y - 5} fontFamily={TEXT_FONT} fontSize={14} fill={palette.ink}>
        {`${name}: ${on ? 'closed' : 'open'}`}
      </SvgText>
    </G>
  );
}

/** What keeps two sources apart, as its parts stand; 172 × 180. */
function MechanismPicture({
  name,
  at = OPEN,
  joined = false,
}: {
  name: MechanismName | undefined;
  at?: Positions | undefined;
  joined?: boolean;
}) {
  const palette = usePalette();
  const utility = at.utility === 1 || at['handle 1'] === 1;
  const generator = at.generator === 1 || at['handle 1'] === 2;
  const throws = name === 'double-throw' || name === 'circuit-handles';
  // Nothing is drawn as a thing that nobody has seen: four corners of a bare place, and what is asked.
  if (name === undefined)
    return (
      <G fill="none" stroke={palette.quiet} strokeWidth={1.5}>
        <Path d="M34 34V20H48M132 20H146V34M146 146V160H132M48 160H34V146" />
        {['what keeps', 'them apart?'].map((line, i) => (
          <SvgText
            key={line}
            x={90}
            y={86 + 18 * i}
            fontFamily={TEXT_FONT}
            fontSize={14}
            fill={palette.quiet}
            stroke="none"
            textAnchor="middle"
          >
            {line}
          </SvgText>
        ))}
      </G>
    );
  return (
    <G>
      <Path d="M14 0V180" stroke={palette.copper} strokeWidth={6} />
      {throws ? (
        <G>
          <Rect x={34} y={20} width={112} height={140} fill={palette.sheet} stroke={palette.ink} strokeWidth={2} />
          {[
            ['utility', 44],
            ['off', 94],
            ['generator', 144],
          ].map(([word, y]) => (
            <SvgText key={word} x={81} y={Number(y) + 4} fontFamily={TEXT_FONT} fontSize={14} fill={palette.ink}>
              {word}
            </SvgText>
          ))}
          <Path d="M60 36V150" stroke={palette.quiet} strokeWidth={2} />
          <Rect
            x={48}
            y={(utility ? 44 : generator ? 144 : 94) - 13}
            width={26}
            height={26}
            fill={joined ? palette.violation : palette.copper}
          />
          {joined && <Rect x={48} y={131} width={26} height={26} fill={palette.violation} />}
        </G>
      ) : (
        <G>
          <Handle x={34} y={20} on={utility} name="utility" violated={joined} />
          <Handle
            x={34}
            below
            y={116}
            on={generator || at['generator pole 2'] === 1}
            name="generator"
            violated={joined}
          />
          {name === 'sliding-plate' && (
            <Path
              d={`M${at.lift === 1 ? 122 : 106} ${[78, 66, 54][at.plate ?? 0]!}h32v40h-32Z`}
              fill={palette.hairline}
              stroke={palette.ink}
              strokeWidth={2}
            />
          )}
          {name === 'two-part-plate' && (
            <G fill={palette.hairline} stroke={palette.ink} strokeWidth={2}>
              <Rect x={100} y={at['utility plate'] === 1 ? 78 : 50} width={24} height={26} />
              <Rect x={126} y={at['generator plate'] === 1 ? 84 : 112} width={24} height={26} />
            </G>
          )}
          {(name === 'linkage' || name === 'linked-mains' || name === 'automatic') && (
            <Path
              d={`M90 ${utility ? 40 : 46}L${generator ? 96 : 84} 95L90 ${generator ? 150 : 144}`}
              fill="none"
              stroke={palette.ink}
              strokeWidth={5}
            />
          )}
        </G>
      )}
    </G>
  );
}

const nameOf = (site: Case): MechanismName | undefined => {
  const name = site.transfer?.mechanism;
  return name === undefined || name === NOT_SEEN ? undefined : name;
};

/** The defects as far as they are recorded; those that nobody has looked for are taken as absent. */
function defectsHere(site: Case): Defects {
  return new Look(site).attempt((look) => defectsOf(look)).value ?? {};
}

/** The mechanism as found; where its model joins the two sources, what plays the way there, a move at a time. */
export function useMechanism(
  site: Case,
  at: Positions | undefined,
): { readonly picture: ReactNode; readonly play: ReactNode } {
  const name = nameOf(site);
  const model = useMemo(
    () => (name === undefined || name === 'other' ? undefined : mechanism(name, defectsHere(site))),
    [name, site],
  );
  const way = useMemo(() => (model && dangerousSequence(model)) ?? [], [model]);
  const [taken, setStep] = useState(0);
  const step = Math.min(taken, way.length);
  let state = model?.start;
  if (model && state !== undefined)
    for (const move of way.slice(0, step)) state = model.moves(state).find(([one]) => one.words === move.words)![1];
  const shown =
    model && state !== undefined && way.length > 0 ? { at: model.at(state), joined: model.parallel(state) } : { at };
  return {
    picture: (
      <Svg width={172} height={184} viewBox="0 0 172 184" aria-hidden>
        <MechanismPicture name={name} {...shown} />
      </Svg>
    ),
    play: way.length > 0 && (
      <View style={{ gap: 6 }}>
        <Words aria-live="polite" style={{ fontSize: 15, lineHeight: 20 }}>
          {step === 0 ? 'It can join both sources.' : `${step} of ${way.length}: ${way[step - 1]!.words}`}
        </Words>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 }}>
          {step > 0 && <Plate role="button" label="Back" onPress={() => setStep(step - 1)} />}
          {step < way.length ? (
            <Plate role="button" label={step === 0 ? 'Show the move' : 'Next move'} onPress={() => setStep(step + 1)} />
          ) : (
            <Quiet>Both are closed now.</Quiet>
          )}
        </View>
      </View>
    ),
  };
}
