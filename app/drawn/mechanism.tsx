import { useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { NOT_SEEN, type Case, type MechanismName } from '@careful-latch/core/case';
import { Look } from '@careful-latch/core/electrical';
import { dangerousSequence, defectsOf, mechanism, type Defects, type Positions } from '@careful-latch/core/interlock';
import { Plate } from '../plates/plate';
import { Quiet, Words } from '../theme/words';

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
): { readonly at: Positions | undefined; readonly joined: boolean; readonly play: ReactNode } {
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
  return {
    at: model && state !== undefined && way.length > 0 ? model.at(state) : at,
    joined: model !== undefined && state !== undefined && way.length > 0 && model.parallel(state),
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
