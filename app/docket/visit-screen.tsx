import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { STATION_NAMES, TRANSFER_KINDS, factAt, valueText } from '@careful-latch/core/case';
import {
  KINDS,
  VISIT_STATES,
  dueAt,
  inForce,
  inspects,
  isOpen,
  stateWords,
  visitAhead,
  visitUnderWay,
  type Condition,
  type Inspection,
  type Order,
} from '@careful-latch/core/record';
import { Sign } from '../drawn/signs';
import { toFindOut } from '../inspection/answers';
import { OrderInForce } from '../inspection/order-in-force';
import { SaveLine } from '../inspection/save-line';
import type { Walk } from '../inspection/walk';
import { dueWords } from '../inspections/due';
import { Plate } from '../plates/plate';
import { useSession } from '../stores/session';
import { Back } from '../theme/back';
import { dayText, officeDay, shortDayText } from '../theme/dates';
import { Button } from '../theme/elements';
import { Screen, useWide } from '../theme/screen';
import { cut, usePalette } from '../theme/theme';
import { Heading, Quiet, Title, Words } from '../theme/words';
import { Trouble } from '../theme/trouble';
import { OfferPlate, Offers, useOffer } from './moves';
import { openNow, useOpenMoves } from './open-moves';
import { ViolationCard } from './violation-card';

/** A line of what is known before anybody rings. */
function Known({ label, children }: { label: string; children: string | undefined }) {
  return children ? (
    <Words style={{ fontSize: 17, lineHeight: 23 }}>
      <Quiet>{`${label}  `}</Quiet>
      {children}
    </Words>
  ) : null;
}

function ConditionCard({ inspection, condition }: { inspection: Inspection; condition: Condition }) {
  const palette = usePalette();
  const { id, state, steps, dueOn, text } = condition;
  const moves = openNow(useOpenMoves(KINDS.condition, inspection, condition, { condition: id }));
  const late = state === 'due' && dueOn < officeDay();
  return (
    <View testID="condition" style={[{ backgroundColor: palette.sheet, padding: 12, gap: 6 }, cut(10)]}>
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
        <Sign kind={state === 'met' ? 'holds' : 'unproven'} />
        <Words color={late ? palette.violation : palette.ink} style={{ flex: 1, fontSize: 18 }}>
          {text}
        </Words>
      </View>
      <Quiet>
        {state === 'met'
          ? `Met: ${steps.at(-1)!.by}, ${shortDayText(steps.at(-1)!.at)}. ${steps.at(-1)!.words}`
          : `Condition of the approval, by ${dayText(dueOn)}${late ? ', late' : ''}`}
      </Quiet>
      <Offers offerings={moves} />
    </View>
  );
}

/** What can be done with an order, and why it cannot be lifted. */
function OrderActs({ inspection, order }: { inspection: Inspection; order: Order }) {
  const moves = useOpenMoves(KINDS.order, inspection, order, { order: order.id });
  const lift = moves.find(({ to }) => to === 'lifted');
  return (
    <View style={{ gap: 8 }}>
      <Offers offerings={openNow(moves)} />
      {lift?.whyNot !== undefined && <Quiet>{lift.whyNot}</Quiet>}
    </View>
  );
}

/**
 * Everything somebody wants to know before they ring the bell, and, once they are let in, only what is asked again: what is
 * open or said to be corrected, what a correction touches, what was never proved. The rest is carried over, and that is said.
 */
export function VisitScreen({ walk }: { walk: Walk }) {
  const router = useRouter();
  const wide = useWide();
  const palette = usePalette();
  const account = useSession((one) => one.account);
  const { inspection, evaluation } = walk;
  const { id, header, docket, decisions } = inspection;
  const here = visitUnderWay(docket);
  const ahead = visitAhead(docket);
  const inspectors = useSession((one) => one.office?.inspectors) ?? [];
  const { trouble, offer, form } = useOffer(
    { inspector: Object.fromEntries(inspectors.map((name) => [name, name])) },
    { inspector: ahead?.inspector ?? account?.name ?? '' },
  );
  const inspector = account !== null && inspects(account.role);
  const last = decisions.at(-1);
  const open = docket.violations.filter(isOpen);
  const settled = docket.violations.filter((one) => !isOpen(one));
  const today = officeDay();
  const due = dueAt(inspection);
  const kind = factAt(inspection.case, 'transfer.kind') as keyof typeof TRANSFER_KINDS | undefined;
  const source = ['source.kind', 'source.voltage']
    .map((path) => ({ path, value: factAt(inspection.case, path) }))
    .filter(({ value }) => value !== undefined)
    .map(({ path, value }) => valueText(path, value));
  const never = toFindOut(evaluation);
  const carried = evaluation.outcomes.filter(({ outcome }) => outcome === 'holds').length;
  const known = here ?? ahead;
  const moves = useOpenMoves(KINDS.visit, inspection, known, { visit: known?.id ?? crypto.randomUUID() });
  const begin = moves.find(({ to }) => to === 'under-way');
  const others = openNow(moves).filter((one) => one !== begin);
  const before = docket.visits.filter(({ state }) => ['nobody-there', 'not-ready', 'entry-refused'].includes(state));
  return (
    <Screen
      narrow
      head={wide ? undefined : <Back to="/" label="Inspections" />}
      act={
        !inspector ? undefined : (
          <View style={{ gap: 8 }}>
            <Trouble>{trouble}</Trouble>
            {form ??
              (here ? (
                <Button title="Decide and sign" onPress={() => router.navigate(`/inspection/${id}/decide`)} />
              ) : (
                begin && <Button title={begin.offered.label} onPress={() => offer(begin)} />
              ))}
          </View>
        )
      }
    >
      <View style={{ gap: 12 }}>
        <View>
          <Title>{here ? `Visit ${here.number}` : 'Before the visit'}</Title>
          <Words style={{ fontSize: 20, fontWeight: '700' }}>{header.address}</Words>
          <Quiet>{[header.owner, header.permit].filter(Boolean).join(' · ')}</Quiet>
        </View>
        {!wide && <SaveLine inspection={id} />}
        <OrderInForce inspection={inspection} posting={!wide} />
        {inspector && inForce(docket).map((one) => <OrderActs key={one.id} inspection={inspection} order={one} />)}
        {!here && (
          <View style={{ gap: 4 }}>
            <Known label="Stands">{`${stateWords(inspection)}${due ? `, ${dueWords(due, today)}` : ''}`}</Known>
            <Known label="May be live">
              {kind === undefined ? undefined : [TRANSFER_KINDS[kind], ...source].join(', ')}
            </Known>
            <Known label="Last there">{last && `${last.signature.name}, ${dayText(last.at)}`}</Known>
            <Known label="Left a line">{last && 'handover' in last ? last.handover : undefined}</Known>
            <Known label="Next visit">{ahead?.day ? `${dayText(ahead.day)}, ${ahead.inspector}` : undefined}</Known>
            {before.map((one) => (
              <Known key={one.id} label={VISIT_STATES[one.state]}>
                {`${dayText(one.steps.at(-1)!.at)}: ${one.steps.at(-1)!.words}`}
              </Known>
            ))}
          </View>
        )}
        {here && (
          <Quiet>
            {here.state === 'remote'
              ? `By live picture; the camera is held by: ${here.steps.at(-1)!.words}. Have the address and each part shown first. Hazards and measurements take a visit.`
              : `Let in by: ${here.steps.at(-1)!.words}. Touch what you see now; the rest is carried over.`}
          </Quiet>
        )}
        {open.length > 0 && <Heading>{`${open.length} open`}</Heading>}
        {open.map((one) => (
          <ViolationCard key={one.id} walk={walk} violation={one} visiting={here !== undefined} />
        ))}
        {docket.conditions.map((one) => (
          <ConditionCard key={one.id} inspection={inspection} condition={one} />
        ))}
        {never.length > 0 && (
          <View style={{ gap: 6 }}>
            <Heading>Never proved</Heading>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
              {never.map(({ station, paths }) => (
                <Plate
                  key={station}
                  role="button"
                  label={`${STATION_NAMES[station]} (${paths.length})`}
                  onPress={() =>
                    router.navigate(`/inspection/${id}/${station}?fact=${encodeURIComponent(paths[0]!)}` as never)
                  }
                />
              ))}
            </View>
          </View>
        )}
        {settled.length > 0 && <Heading>{`${settled.length} settled`}</Heading>}
        {settled.map((one) => (
          <ViolationCard key={one.id} walk={walk} violation={one} visiting={here !== undefined} />
        ))}
        {last && (
          <Quiet>{`Carried over from ${dayText(last.at)} unless looked at again: ${carried} points that hold.`}</Quiet>
        )}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Plate role="button" label="The whole path" onPress={() => router.navigate(`/inspection/${id}`)} />
          {decisions.length > 0 && (
            <Plate role="button" label="Record" onPress={() => router.navigate(`/inspection/${id}/record`)} />
          )}
        </View>
        {others.length > 0 && !form && (
          <View style={{ gap: 6, borderTopWidth: 1, borderColor: palette.hairline, paddingTop: 10 }}>
            <Quiet>{here ? 'Other outcome' : 'Or'}</Quiet>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
              {others.map((one) => (
                <OfferPlate key={one.offered.label} one={one} onOffer={offer} />
              ))}
            </View>
          </View>
        )}
      </View>
    </Screen>
  );
}
