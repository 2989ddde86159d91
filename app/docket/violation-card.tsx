import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { STATION_NAMES, factAt } from '@careful-latch/core/case';
import {
  VIOLATION_STATES,
  attempts,
  evidenceOfFinding,
  factsToCorrect,
  foundIn,
  inspects,
  isOpen,
  sameFinding,
  toProveAgain,
  touched,
  whyNotVerified,
  type ChangeBody,
  type Violation,
  type ViolationState,
} from '@careful-latch/core/record';
import { Sign } from '../drawn/signs';
import { EvidencePane, ShownEvidence } from '../evidence/evidence';
import { factsBeside } from '../inspection/answers';
import type { Walk } from '../inspection/walk';
import { FactField } from '../plates/fact-field';
import { Plate } from '../plates/plate';
import { useSession } from '../stores/session';
import { momentText, shortDayText } from '../theme/dates';
import { TARGET, cut, usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';
import { ProveAgain } from './prove-again';
import { Trouble } from '../theme/trouble';
import { Say } from './say';
import { useChange } from './use-change';

/** As many facts of a violation are asked on its card; the others at their stations. */
const MOST_ASKED = 2;

const SIGN = {
  open: 'violation',
  claimed: 'unproven',
  verified: 'holds',
  varied: 'advice',
  withdrawn: 'not-applicable',
  removed: 'holds',
} as const;

interface Asks {
  readonly to: ViolationState;
  readonly label: string;
  readonly act: string;
  readonly offers?: readonly string[];
}
const ASKS: Readonly<Record<'not-corrected' | 'claim' | 'withdraw' | 'remove' | 'back', Asks>> = {
  'not-corrected': {
    to: 'open',
    label: 'What is not corrected',
    act: 'Not corrected',
    offers: ['Nothing was done', 'Done in part', 'Done wrong'],
  },
  claim: { to: 'claimed', label: 'What was done', act: 'Say that it is corrected' },
  withdraw: { to: 'withdrawn', label: 'Why it is withdrawn', act: 'Withdraw it' },
  remove: { to: 'removed', label: 'What is gone, and how it was seen disconnected', act: 'It is taken away' },
  back: { to: 'open', label: 'Why it is open again', act: 'Open it again', offers: ['A wrong touch'] },
};

/** The facts that would show that it is corrected, with their plates, and the way to the others. */
function Facts({
  walk,
  violation,
  change,
}: {
  walk: Walk;
  violation: Violation;
  change: (body: ChangeBody) => boolean;
}) {
  const router = useRouter();
  const { id, case: c } = walk.inspection;
  const paths = factsToCorrect(c, violation.findings);
  return (
    <>
      {paths.slice(0, MOST_ASKED).map((path) => (
        <FactField
          key={path}
          path={path}
          value={factAt(c, path)}
          outcomes={[]}
          onRecord={(at, value, asRead) => change(touched(id, at, value, asRead))}
        />
      ))}
      {paths.length > MOST_ASKED && (
        <View style={{ flexDirection: 'row' }}>
          <Plate
            role="button"
            quiet
            label={`Other facts: ${STATION_NAMES[violation.station]}`}
            onPress={() => router.navigate(`/inspection/${id}/${violation.station}`)}
          />
        </View>
      )}
    </>
  );
}

/** A violation: what is wrong, what corrects it, who said what, and what can be done with it now. */
export function ViolationCard({ walk, violation, visiting }: { walk: Walk; violation: Violation; visiting: boolean }) {
  const palette = usePalette();
  const { trouble, change } = useChange();
  const account = useSession((one) => one.account);
  const { inspection, evaluation } = walk;
  const [open, setOpen] = useState(false);
  const [asking, setAsking] = useState<keyof typeof ASKS>();
  const { id, number, words, remedy, cites, severity, station, state, steps, dueOn, findings } = violation;
  const waits = isOpen(violation);
  const inspector = account !== null && inspects(account.role);
  const mayWithdraw = severity !== 'hazard' || account?.role === 'lead';
  const again = visiting && waits ? toProveAgain(inspection, evaluation, violation) : [];
  const still = foundIn(evaluation).some((one) => findings.some((each) => sameFinding(each, one)));
  const why = waits ? whyNotVerified(inspection, evaluation, violation) : undefined;
  const claim = state === 'claimed' ? steps.at(-1) : undefined;
  const tried = attempts(violation);
  const about = findings[0]?.rule ?? id;
  const evidence = [
    ...inspection.evidence.filter((one) => one.about === id),
    ...findings.flatMap(({ rule }) => evidenceOfFinding(inspection.evidence, rule, factsBeside(rule))),
  ].filter((one, i, all) => all.indexOf(one) === i);
  const move = (to: ViolationState, said = '') => {
    const done = change({ type: 'violation', inspection: inspection.id, violation: id, to, words: said });
    if (done) setAsking(undefined);
    return done;
  };
  const color = severity === 'hazard' && waits ? palette.violation : waits ? palette.ink : palette.holds;
  return (
    <View
      testID={`violation-${number}`}
      style={[{ backgroundColor: palette.sheet, borderLeftWidth: 4, borderColor: color, padding: 12, gap: 8 }, cut(10)]}
    >
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={() => setOpen(!open)}
        style={{ gap: 4, minHeight: TARGET, justifyContent: 'center' }}
      >
        <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
          <Sign kind={SIGN[state]} hazard={severity === 'hazard'} />
          <Words style={{ flex: 1, fontWeight: '700', fontSize: 17 }}>
            {`${number}  ${VIOLATION_STATES[state]}${severity === 'hazard' ? ', hazard' : ''}`}
          </Words>
          <Quiet>{dueOn && waits ? `by ${shortDayText(dueOn)}` : STATION_NAMES[station]}</Quiet>
        </View>
        <Words style={{ fontSize: 18 }}>{words}</Words>
        {waits && remedy !== '' && (
          <Words style={{ fontSize: 17, lineHeight: 24 }}>
            <Words style={{ fontWeight: '700', fontSize: 17 }}>Remedy. </Words>
            {remedy}
          </Words>
        )}
        {claim && (
          <Words style={{ fontSize: 17, lineHeight: 24 }}>
            {`${claim.by}, ${shortDayText(claim.at)}: “${claim.words}”`}
          </Words>
        )}
        {tried > 0 && <Quiet>{`Looked at in vain ${tried === 1 ? 'once' : `${tried} times`} so far.`}</Quiet>}
        <Quiet>{open ? 'Fold' : [...cites, 'its history'].join(' · ')}</Quiet>
      </Pressable>
      {open && (
        <View style={{ gap: 4 }}>
          {steps.map((one) => (
            <Quiet key={one.at + one.to}>
              {`${VIOLATION_STATES[one.to]}: ${one.by}, ${momentText(one.at)}${one.words === '' ? '' : `. ${one.words}`}`}
            </Quiet>
          ))}
          <Quiet>{cites.join(' · ')}</Quiet>
          <EvidencePane inspection={inspection.id} about={about} evidence={evidence} />
        </View>
      )}
      {!open && evidence.length > 0 && <ShownEvidence inspection={inspection.id} evidence={evidence} />}
      {visiting && waits && inspector && (
        <>
          <Facts walk={walk} violation={violation} change={change} />
          {!still && again.length > 0 && (
            <View>
              <Words style={{ fontWeight: '700', fontSize: 17 }}>To prove again, for the correction touches it</Words>
              {again.map((one) => (
                <ProveAgain key={one.rule} inspection={inspection} outcome={one} change={change} />
              ))}
            </View>
          )}
        </>
      )}
      <Trouble>{trouble}</Trouble>
      {asking ? (
        <Say {...ASKS[asking]} onSay={(said) => move(ASKS[asking].to, said)} onClose={() => setAsking(undefined)} />
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {waits && visiting && inspector && why === undefined && (
            <Plate role="button" label="Corrected, seen" onPress={() => move('verified')} />
          )}
          {state === 'claimed' && visiting && inspector && (
            <Plate role="button" label="Not corrected" onPress={() => setAsking('not-corrected')} />
          )}
          {state === 'open' && !inspector && account?.role === 'contractor' && (
            <Plate role="button" label="It is corrected" onPress={() => setAsking('claim')} />
          )}
          {waits && open && inspector && (
            <>
              {state === 'open' && (
                <Plate role="button" quiet label="Said to be corrected" onPress={() => setAsking('claim')} />
              )}
              {mayWithdraw && <Plate role="button" quiet label="Withdraw" onPress={() => setAsking('withdraw')} />}
              <Plate role="button" quiet label="Taken away" onPress={() => setAsking('remove')} />
            </>
          )}
          {!waits && inspector && (inspection.decisions.at(-1)?.at ?? '') < steps.at(-1)!.at && (
            <Plate role="button" quiet label="Open again" onPress={() => setAsking('back')} />
          )}
        </View>
      )}
      {visiting && waits && inspector && why !== undefined && !asking && <Quiet>{`Not corrected yet: ${why}`}</Quiet>}
    </View>
  );
}
