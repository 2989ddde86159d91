import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { STATION_NAMES, factAt } from '@careful-latch/core/case';
import {
  KINDS,
  VIOLATION_STATES,
  attempts,
  evidenceOfFinding,
  factsToCorrect,
  foundIn,
  inspects,
  isOpen,
  isSettledByPhoto,
  openAppeals,
  sameFinding,
  toProveAgain,
  touched,
  type ChangeBody,
  type Violation,
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
import { OfferPlate, useOffer } from './moves';
import { useOpenMoves, type Offerable } from './open-moves';

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
  const { trouble, change, offer, form } = useOffer();
  const account = useSession((one) => one.account);
  const { inspection, evaluation } = walk;
  const [open, setOpen] = useState(false);
  const { id, number, words, remedy, cites, severity, station, state, steps, dueOn, findings, variance } = violation;
  const waits = isOpen(violation);
  const inspector = account !== null && inspects(account.role);
  /** From the desk, a photo that was sent settles what a photo shows. */
  const atDesk = !visiting && state === 'claimed' && isSettledByPhoto(inspection, violation);
  const looks = visiting || atDesk;
  const again = looks && waits ? toProveAgain(inspection, evaluation, violation) : [];
  const still = foundIn(evaluation).some((one) => findings.some((each) => sameFinding(each, one)));
  const claim = state === 'claimed' ? steps.at(-1) : undefined;
  const tried = attempts(violation);
  const about = findings[0]?.rule ?? id;
  const evidence = [
    ...inspection.evidence.filter((one) => one.about === id),
    ...findings.flatMap(({ rule }) => evidenceOfFinding(inspection.evidence, rule, factsBeside(rule))),
  ].filter((one, i, all) => all.indexOf(one) === i);
  const appealed = openAppeals(inspection.docket).some(({ against }) => against === id);
  const moves = useOpenMoves(KINDS.violation, inspection, violation, { violation: id }, evaluation);
  const verified = moves.find(({ to }) => to === 'verified');
  const main = (one: Offerable) => one.to === 'verified' || (state === 'claimed' && one.to === 'open');
  /** What is done at the house, or from the desk by a photo, stands by itself; what is seldom done, behind a touch. */
  const stands = (one: Offerable) => {
    if (one.whyNot !== undefined) return false;
    if (main(one)) return looks;
    if (state === 'open' && one.to === 'open' && dueOn === null && !appealed) return false;
    return open || !waits || (one.to === 'claimed' && !inspector);
  };
  const byPhoto = (one: Offerable): Offerable =>
    atDesk && one === verified
      ? { ...one, offered: { label: 'Corrected, seen on the photo' }, body: { ...one.body, words: 'From the desk, by photo.' } }
      : one; // prettier-ignore
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
      {form ?? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {moves.filter(stands).map((one) => (
            <OfferPlate
              key={one.offered.label}
              one={byPhoto(one)}
              quiet={!main(one) && one.to !== 'claimed'}
              onOffer={offer}
            />
          ))}
        </View>
      )}
      {looks && verified?.theirs && verified.whyNot !== undefined && !form && <Quiet>{verified.whyNot}</Quiet>}
    </View>
  );
}
