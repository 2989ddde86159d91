import { View } from 'react-native';
import {
  ACTS,
  APPEAL_STATES,
  DECISIONS,
  HOLD_STATES,
  INSTALLER_KINDS,
  KINDS,
  PAPER_STATES,
  PERMIT_STATES,
  holdOf,
  houseOf,
  inspects,
  installerOf,
  standingOfPaper,
  type Appeal,
  type Inspection,
  type Signed,
} from '@careful-latch/core/record';
import { useSession } from '../stores/session';
import { dayText, momentText } from '../theme/dates';
import { Heading, Quiet, Words } from '../theme/words';
import { Offers } from './moves';
import { openNow, useOpenMoves } from './open-moves';

/** The permit and who does the work, as the office knows them; who was there before, and since when. */
export function PermitAndInstaller({ inspection }: { inspection: Inspection }) {
  const inspector = useSession(({ account }) => account !== null && inspects(account.role));
  const { docket, header, id } = inspection;
  const { permit, installers = [] } = docket;
  const now = installerOf(docket);
  const moves = openNow(useOpenMoves(KINDS.permit, inspection, permit, { until: null }));
  // Once it is written down it is renewed, or is missing after all.
  const offered = permit ? moves.filter(({ to }) => to !== 'there') : moves;
  const work = { offered: ACTS.installer.offered!, body: { type: 'installer', inspection: id } };
  return (
    <View style={{ gap: 8 }} testID="permit-and-installer">
      <Heading>Permit, and who does the work</Heading>
      <Words style={{ fontSize: 17 }}>
        {permit
          ? `Permit ${header.permit || '(no number)'}: ${PERMIT_STATES[permit.state].toLowerCase()}${permit.until ? `, until ${dayText(permit.until)}` : ''}. ${permit.steps.at(-1)!.words}`
          : `Permit ${header.permit || 'not given'}: nobody has written down until when it holds.`}
      </Words>
      <Words style={{ fontSize: 17 }}>
        {now
          ? `Work by ${now.name}${now.license ? `, license ${now.license}` : `, ${INSTALLER_KINDS[now.kind].toLowerCase()}`}, since ${dayText(now.from)}. ${now.words}`
          : 'Nobody has written down who does the work.'}
      </Words>
      {installers.slice(0, -1).map((one) => (
        <Quiet key={one.from}>{`Before: ${one.name}, from ${dayText(one.from)}`}</Quiet>
      ))}
      {inspector && <Offers offerings={[...offered, work]} />}
    </View>
  );
}

/** What became of a decision since it was issued. */
export const Became = ({ inspection: { docket }, signed }: { inspection: Inspection; signed: Signed }) =>
  docket.papers
    ?.find(({ id }) => id === signed.id)
    ?.steps.map((one) => (
      <Words key={one.at} style={{ fontSize: 17 }}>
        {`${PAPER_STATES[one.to]}: ${one.by}, ${momentText(one.at)}. ${one.words}`}
      </Words>
    ));

/** What the lead can make of a decision that was issued; it stands behind the papers, for it is seldom wanted. */
export function BecomeActs({ inspection, signed: { id } }: { inspection: Inspection; signed: Signed }) {
  const known = standingOfPaper(houseOf(inspection), id);
  return <Offers offerings={openNow(useOpenMoves(KINDS.paper, inspection, known, { decision: id }))} />;
}

/** What an appeal is against, in words. */
function against({ docket, decisions }: Inspection, { against: id }: Appeal): string {
  const violation = docket.violations.find((one) => one.id === id);
  if (violation) return `violation ${violation.number}`;
  const decision = decisions.find((one) => one.id === id);
  return decision ? `${DECISIONS[decision.kind].toLowerCase()} of ${dayText(decision.at)}` : 'a decision';
}

function AppealCard({ inspection, appeal }: { inspection: Inspection; appeal: Appeal }) {
  return (
    <View style={{ gap: 4 }}>
      <Words style={{ fontSize: 17, fontWeight: '700' }}>
        {`${appeal.filedBy}, against ${against(inspection, appeal)}: ${APPEAL_STATES[appeal.state].toLowerCase()}`}
      </Words>
      {appeal.steps.map((step) => (
        <Quiet key={step.at}>{`${APPEAL_STATES[step.to]}, ${momentText(step.at)}. ${step.words}`}</Quiet>
      ))}
      <Offers offerings={openNow(useOpenMoves(KINDS.appeal, inspection, appeal, { appeal: appeal.id }))} />
    </View>
  );
}

/** Who disagrees, and how it ended; orders stand meanwhile. */
export function Appeals({ inspection }: { inspection: Inspection }) {
  const { docket, decisions } = inspection;
  const { appeals = [] } = docket;
  const offered = openNow(useOpenMoves(KINDS.appeal, inspection, undefined, { appeal: crypto.randomUUID() }));
  const last = decisions.at(-1);
  if (!last) return null;
  const of = {
    [last.id]: `The last decision: ${DECISIONS[last.kind].toLowerCase()}`,
    ...Object.fromEntries(docket.violations.map((one) => [one.id, `Violation ${one.number}`])),
  };
  return (
    <View style={{ gap: 8 }} testID="appeals">
      <Heading>Appeals</Heading>
      {appeals.length === 0 && <Quiet>Nobody has appealed.</Quiet>}
      {appeals.map((one) => (
        <AppealCard key={one.id} inspection={inspection} appeal={one} />
      ))}
      <Offers offerings={offered} choices={{ against: of }} />
    </View>
  );
}

/** Whether anything of the record may be destroyed when its time is over; the lead holds it for a court or an appeal. */
export function Held({ inspection }: { inspection: Inspection }) {
  const known = holdOf(inspection.docket);
  const moves = openNow(useOpenMoves(KINDS.hold, inspection, known, {}));
  return (
    <View style={{ gap: 8 }} testID="hold">
      <Heading>{known?.on ? 'Held: nothing of it is destroyed' : 'Not held'}</Heading>
      {known?.steps.map((one) => (
        <Quiet key={one.at}>{`${HOLD_STATES[one.to]}: ${one.by}, ${momentText(one.at)}. ${one.words}`}</Quiet>
      ))}
      <Offers offerings={moves.filter(({ to }) => (known?.on ? to === 'released' : to === 'held'))} />
    </View>
  );
}
