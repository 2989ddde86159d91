import dayjs from 'dayjs';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { STATION_NAMES, TRANSFER_KINDS, factAt, valueText } from '@careful-latch/core/case';
import {
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
  type Visit,
  type VisitState,
} from '@careful-latch/core/record';
import { Sign } from '../drawn/signs';
import { toFindOut } from '../inspection/answers';
import { OrderInForce } from '../inspection/order-in-force';
import { SaveLine } from '../inspection/save-line';
import type { Walk } from '../inspection/walk';
import { dueWords } from '../inspections/due';
import { Plate, Plates } from '../plates/plate';
import { useSession } from '../stores/session';
import { Back } from '../theme/back';
import { dayText, shortDayText } from '../theme/dates';
import { Button, Input } from '../theme/elements';
import { Screen, useWide } from '../theme/screen';
import { cut, usePalette } from '../theme/theme';
import { Heading, Quiet, Title, Words } from '../theme/words';
import { Trouble } from '../theme/trouble';
import { Say } from './say';
import { useChange } from './use-change';
import { ViolationCard } from './violation-card';

/** What can become of a visit before anybody is let in, and what is asked then. */
const ENDS = {
  'nobody-there': { label: 'What was tried', act: 'Nobody there', offers: ['Rang and knocked', 'Rang, and called'] },
  'not-ready': { label: 'What is not ready', act: 'Not ready', offers: ['The work is not done'] },
  'entry-refused': { label: 'Who refused', act: 'Entry refused', offers: ['The owner', 'Somebody at the door'] },
} as const;
const LET_IN = ['The owner', 'The contractor', 'Somebody of the house'] as const;

type Asking = 'under-way' | 'remote' | keyof typeof ENDS | 'schedule' | undefined;

/** Choosing a day for a visit. */
function Schedule({
  known,
  onChoose,
  onClose,
}: {
  known: Visit | undefined;
  onChoose: (day: string, why: string) => void;
  onClose: () => void;
}) {
  const [day, setDay] = useState('');
  const [why, setWhy] = useState('');
  const offered = [1, 2, 7].map((days) => dayjs().add(days, 'day').format('YYYY-MM-DD'));
  return (
    <View style={{ gap: 8 }} role="form" aria-label="Schedule a visit">
      <Plates label="Day">
        {offered.map((one) => (
          <Plate key={one} label={shortDayText(one)} selected={one === day} onPress={() => setDay(one)} />
        ))}
      </Plates>
      <Input
        label="Another day"
        aria-label="Another day"
        value={day}
        onChangeText={setDay}
        placeholder="2026-12-09"
        renderErrorMessage={false}
        containerStyle={{ paddingHorizontal: 0 }}
      />
      {known && (
        <Input
          label="Why anew"
          aria-label="Why anew"
          value={why}
          onChangeText={setWhy}
          renderErrorMessage={false}
          containerStyle={{ paddingHorizontal: 0 }}
        />
      )}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Plate role="button" label="Schedule it" onPress={() => onChoose(day.trim(), why.trim())} />
        <Plate role="button" quiet label="Not now" onPress={onClose} />
      </View>
    </View>
  );
}

/** A line of what is known before anybody rings. */
function Known({ label, children }: { label: string; children: string | undefined }) {
  return children ? (
    <Words style={{ fontSize: 17, lineHeight: 23 }}>
      <Quiet>{`${label}  `}</Quiet>
      {children}
    </Words>
  ) : null;
}

function ConditionCard({
  inspection,
  condition,
  inspector,
}: {
  inspection: Inspection;
  condition: Condition;
  inspector: boolean;
}) {
  const palette = usePalette();
  const { trouble, change } = useChange();
  const [asking, setAsking] = useState(false);
  const late = condition.state === 'due' && condition.dueOn < dayjs().format('YYYY-MM-DD');
  const meet = (words: string) => {
    const done = change({ type: 'condition', inspection: inspection.id, condition: condition.id, to: 'met', words });
    if (done) setAsking(false);
  };
  return (
    <View testID="condition" style={[{ backgroundColor: palette.sheet, padding: 12, gap: 6 }, cut(10)]}>
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
        <Sign kind={condition.state === 'met' ? 'holds' : 'unproven'} />
        <Words color={late ? palette.violation : palette.ink} style={{ flex: 1, fontSize: 18 }}>
          {condition.text}
        </Words>
      </View>
      <Quiet>
        {condition.state === 'met'
          ? `Met: ${condition.steps.at(-1)!.by}, ${shortDayText(condition.steps.at(-1)!.at)}. ${condition.steps.at(-1)!.words}`
          : `Condition of the approval, by ${dayText(condition.dueOn)}${late ? ', late' : ''}`}
      </Quiet>
      <Trouble>{trouble}</Trouble>
      {inspector &&
        condition.state === 'due' &&
        (asking ? (
          <Say label="What was seen" act="It is met" onSay={meet} onClose={() => setAsking(false)} />
        ) : (
          <View style={{ flexDirection: 'row' }}>
            <Plate role="button" label="Met" onPress={() => setAsking(true)} />
          </View>
        ))}
    </View>
  );
}

/** What can be done with an order: corrective work allowed, or lifted. */
function OrderActs({ inspection, order, lead }: { inspection: Inspection; order: Order; lead: boolean }) {
  const { trouble, change } = useChange();
  const [asking, setAsking] = useState<'limited' | 'lifted'>();
  const move = (to: 'limited' | 'lifted', words: string) => {
    if (change({ type: 'order', inspection: inspection.id, order: order.id, to, words })) setAsking(undefined);
  };
  return (
    <View style={{ gap: 8 }}>
      <Trouble>{trouble}</Trouble>
      {asking === 'limited' && (
        <Say
          label="Who may correct what, until when"
          act="Allow corrective work"
          onSay={(words) => move('limited', words)}
          onClose={() => setAsking(undefined)}
        />
      )}
      {asking === 'lifted' && (
        <Say
          label="Why the order is lifted"
          act="Lift the order"
          onSay={(words) => move('lifted', words)}
          onClose={() => setAsking(undefined)}
        />
      )}
      {!asking && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {order.state === 'posted' && (
            <Plate role="button" quiet label="Allow corrective work" onPress={() => setAsking('limited')} />
          )}
          {lead ? (
            <Plate role="button" quiet label="Lift the order" onPress={() => setAsking('lifted')} />
          ) : (
            <Quiet>The lead alone lifts it.</Quiet>
          )}
        </View>
      )}
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
  const { trouble, change } = useChange();
  const [asking, setAsking] = useState<Asking>();
  const { inspection, evaluation } = walk;
  const { id, header, docket, decisions } = inspection;
  const here = visitUnderWay(docket);
  const ahead = visitAhead(docket);
  const inspector = account !== null && inspects(account.role);
  const last = decisions.at(-1);
  const open = docket.violations.filter(isOpen);
  const settled = docket.violations.filter((one) => !isOpen(one));
  const today = dayjs().format('YYYY-MM-DD');
  const due = dueAt(inspection);
  const kind = factAt(inspection.case, 'transfer.kind') as keyof typeof TRANSFER_KINDS | undefined;
  const source = ['source.kind', 'source.voltage']
    .map((path) => ({ path, value: factAt(inspection.case, path) }))
    .filter(({ value }) => value !== undefined)
    .map(({ path, value }) => valueText(path, value));
  const never = toFindOut(evaluation);
  const carried = evaluation.outcomes.filter(({ outcome }) => outcome === 'holds').length;
  const visit = here?.id ?? ahead?.id ?? crypto.randomUUID();
  const move = (to: VisitState, words: string, day?: string) => {
    const done = change({ type: 'visit', inspection: id, visit, to, words, ...(day !== undefined && { day }) });
    if (done) setAsking(undefined);
  };
  const form =
    asking === 'under-way' ? (
      <Say
        label="Who let you in"
        act="Begin the visit"
        offers={LET_IN}
        onSay={(words) => move('under-way', words)}
        onClose={() => setAsking(undefined)}
      />
    ) : asking === 'remote' ? (
      <Say
        label="Who holds the camera"
        act="Begin by live picture"
        offers={LET_IN}
        onSay={(words) => move('remote', words)}
        onClose={() => setAsking(undefined)}
      />
    ) : asking === 'schedule' ? (
      <Schedule
        known={ahead}
        onChoose={(day, why) => move('scheduled', why, day)}
        onClose={() => setAsking(undefined)}
      />
    ) : asking ? (
      <Say key={asking} {...ENDS[asking]} onSay={(words) => move(asking, words)} onClose={() => setAsking(undefined)} />
    ) : null;
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
                <Button title="Begin the visit" onPress={() => setAsking('under-way')} />
              ))}
          </View>
        )
      }
    >
      <View style={{ gap: 12 }}>
        <View>
          <Title>{here ? `Visit ${here.number}` : 'Before the bell'}</Title>
          <Words style={{ fontSize: 20, fontWeight: '700' }}>{header.address}</Words>
          <Quiet>{[header.owner, header.permit].filter(Boolean).join(' · ')}</Quiet>
        </View>
        {!wide && <SaveLine inspection={id} />}
        <OrderInForce inspection={inspection} posting={!wide} />
        {inspector &&
          inForce(docket).map((one) => (
            <OrderActs key={one.id} inspection={inspection} order={one} lead={account.role === 'lead'} />
          ))}
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
          <ConditionCard key={one.id} inspection={inspection} condition={one} inspector={inspector} />
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
        {inspector && !asking && (
          <View style={{ gap: 6, borderTopWidth: 1, borderColor: palette.hairline, paddingTop: 10 }}>
            <Quiet>{here ? 'It ends otherwise' : 'Or'}</Quiet>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
              {(Object.keys(ENDS) as (keyof typeof ENDS)[]).map((one) => (
                <Plate key={one} role="button" quiet label={VISIT_STATES[one]} onPress={() => setAsking(one)} />
              ))}
              {!here && <Plate role="button" quiet label="By live picture" onPress={() => setAsking('remote')} />}
              {!here && (
                <Plate
                  role="button"
                  quiet
                  label={ahead ? 'Another day' : 'Schedule a visit'}
                  onPress={() => setAsking('schedule')}
                />
              )}
            </View>
          </View>
        )}
      </View>
    </Screen>
  );
}
