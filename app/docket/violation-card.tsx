import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { object, string } from 'yup';
import { STATION_NAMES, factAt } from '@careful-latch/core/case';
import {
  VIOLATION_STATES,
  attempts,
  evidenceOfFinding,
  factsToCorrect,
  foundIn,
  inspects,
  isOpen,
  isOutside,
  isSettledByPhoto,
  openAppeals,
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
import { dayText, momentText, shortDayText } from '../theme/dates';
import { TARGET, cut, usePalette, outline } from '../theme/theme';
import { Quiet, Words } from '../theme/words';
import { ProveAgain } from './prove-again';
import { Trouble } from '../theme/trouble';
import { Ask, type Asked } from './ask';
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

const VARIANCE: readonly Asked[] = [
  { name: 'authority', label: 'Which authority varies it' },
  { name: 'section', label: 'Which section' },
  { name: 'extent', label: 'How far, and on what conditions', lines: true },
  { name: 'words', label: 'By which document' },
  { name: 'until', label: 'Until', days: [90, 365] },
];
const varianceSchema = object({
  authority: string().trim().required('Name the authority that varies it.').max(200),
  section: string().trim().required('Name the section that is varied.').max(100),
  extent: string().trim().required('Say how far it is varied.').max(500),
  words: string().trim().required('Name the document.').max(500),
  until: string()
    .trim()
    .matches(/^(\d{4}-\d{2}-\d{2})?$/, 'Type a day like 2027-03-01, or leave it empty where the variance has no end.'),
});
const OTHER_DAY: readonly Asked[] = [
  { name: 'dueOn', label: 'To be corrected by', days: [7, 14, 30] },
  { name: 'words', label: 'Why another day' },
];
const otherDaySchema = object({
  dueOn: string()
    .trim()
    .matches(
      /^(\d{4}-\d{2}-\d{2})?$/,
      'Type a day like 2027-03-01, or leave it empty: then it has none while an appeal is open.',
    ),
  words: string().trim().required('Say why.').min(10, 'Say why in at least 10 characters.'),
});

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
  // What would end it comes first, and stays in its place once it has ended it.
  const now = useMemo(() => factsToCorrect(c, violation.findings), [c, violation.findings]);
  const [first] = useState(now);
  const paths = [...new Set([...first.filter((path) => now.includes(path)), ...now])];
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
  const [asking, setAsking] = useState<keyof typeof ASKS | 'vary' | 'day'>();
  const { id, number, words, remedy, cites, severity, station, state, steps, dueOn, findings, variance } = violation;
  const waits = isOpen(violation);
  const inspector = account !== null && inspects(account.role);
  const mayWithdraw = severity !== 'hazard' || account?.role === 'lead';
  /** From the desk, a photo that was sent settles what a photo shows. */
  const atDesk = !visiting && state === 'claimed' && isSettledByPhoto(inspection, violation);
  const looks = visiting || atDesk;
  const again = looks && waits ? toProveAgain(inspection, evaluation, violation) : [];
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
  const with_ = (over: object) => {
    const body = { type: 'violation', inspection: inspection.id, violation: id, words: '', ...over };
    if (change(body as ChangeBody)) setAsking(undefined);
  };
  const appealed = openAppeals(inspection.docket).some(({ against }) => against === id);
  const color = severity === 'hazard' && waits ? palette.violation : waits ? palette.ink : palette.holds;
  return (
    <View
      testID={`violation-${number}`}
      style={[{ backgroundColor: palette.sheet, padding: 12, gap: 8 }, outline(color, waits), cut(10)]}
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
        {state === 'varied' && variance && (
          <Words style={{ fontSize: 17, lineHeight: 24 }}>
            {`Varied by ${variance.authority}, ${variance.section}: ${variance.extent}${variance.until ? `, until ${dayText(variance.until)}` : ''}.`}
          </Words>
        )}
        {appealed && <Quiet>An appeal against it is open.</Quiet>}
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
      {looks && waits && inspector && (
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
      {asking === 'vary' ? (
        <Ask
          label="A variance"
          act="Vary it"
          fields={VARIANCE}
          schema={varianceSchema}
          onDo={({ words: document, until, ...variance }) =>
            with_({ to: 'varied', words: document, variance: { ...variance, until: until === '' ? null : until } })
          }
          onClose={() => setAsking(undefined)}
        />
      ) : asking === 'day' ? (
        <Ask
          label="Another day"
          act="Set it"
          fields={OTHER_DAY}
          schema={otherDaySchema}
          onDo={({ dueOn: to, words: why_ }) => with_({ to: 'open', words: why_, dueOn: to === '' ? null : to })}
          onClose={() => setAsking(undefined)}
        />
      ) : asking ? (
        <Say {...ASKS[asking]} onSay={(said) => move(ASKS[asking].to, said)} onClose={() => setAsking(undefined)} />
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {waits && looks && inspector && why === undefined && (
            <Plate
              role="button"
              label={atDesk ? 'Corrected, seen on the photo' : 'Corrected, seen'}
              onPress={() => move('verified', atDesk ? 'From the desk, by photo.' : '')}
            />
          )}
          {state === 'claimed' && looks && inspector && (
            <Plate role="button" label="Not corrected" onPress={() => setAsking('not-corrected')} />
          )}
          {state === 'open' && account !== null && isOutside(account.role) && (
            <Plate role="button" label="It is corrected" onPress={() => setAsking('claim')} />
          )}
          {waits && open && inspector && (
            <>
              {state === 'open' && (
                <Plate role="button" quiet label="Said to be corrected" onPress={() => setAsking('claim')} />
              )}
              {state === 'open' && (dueOn !== null || appealed) && (
                <Plate role="button" quiet label="Another day" onPress={() => setAsking('day')} />
              )}
              {account?.role === 'lead' && <Plate role="button" quiet label="Vary" onPress={() => setAsking('vary')} />}
              {mayWithdraw && <Plate role="button" quiet label="Withdraw" onPress={() => setAsking('withdraw')} />}
              <Plate role="button" quiet label="Taken away" onPress={() => setAsking('remove')} />
            </>
          )}
          {!waits && inspector && (inspection.decisions.at(-1)?.at ?? '') < steps.at(-1)!.at && (
            <Plate role="button" quiet label="Open again" onPress={() => setAsking('back')} />
          )}
        </View>
      )}
      {looks && waits && inspector && why !== undefined && !asking && <Quiet>{`Not corrected yet: ${why}`}</Quiet>}
    </View>
  );
}
