import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { STATIONS, STATION_NAMES, type Station } from '@careful-latch/core/case';
import {
  DECISIONS,
  ORDER_KINDS,
  VIOLATION_STATES,
  decisionSchema,
  inspects,
  isApproval,
  isOpen,
  orderGround,
  standingOf,
  dayAtHouse,
  whyNotDecide,
  type Decision,
  type DecisionKind,
  type Docket,
  type Standing,
} from '@careful-latch/core/record';
import { Sign } from '../drawn/signs';
import { OrderInForce } from '../inspection/order-in-force';
import { VerdictBlock } from '../inspection/verdict-block';
import type { Walk } from '../inspection/walk';
import { Plate, Plates } from '../plates/plate';
import { decide, useInspections, whyNotSignHere } from '../stores/inspections';
import { passwordAgain, useSession } from '../stores/session';
import { BackHome } from '../inspection/back-home';
import { shortDayText } from '../theme/dates';
import { Button, Input } from '../theme/elements';
import { Screen, useWide } from '../theme/screen';
import { Heading, Quiet, Title, Words } from '../theme/words';
import { causesOf } from '@careful-latch/core/verdict';
import { Answers, Unproven } from './answers';
import { OwnViolation } from './own-violation';
import { Trouble } from '../theme/trouble';
import { Day, inDays } from './day';
import { Signature } from './signature';
import { useChange } from './use-change';

const FLAT = { paddingHorizontal: 0 } as const;
const DAY_MS = 24 * 3600_000;

type Order = NonNullable<Decision['order']>;
type Condition = Decision['conditions'][number];

/** The violations that wait, in a line each. */
function OpenViolations({ docket }: { docket: Docket }) {
  const open = docket.violations.filter(isOpen);
  if (open.length === 0) return null;
  return (
    <View style={{ gap: 6 }}>
      <Heading>{`${open.length} ${open.length === 1 ? 'violation is' : 'violations are'} open`}</Heading>
      {open.map(({ id, number, words, state, severity }) => (
        <View key={id} style={{ flexDirection: 'row', gap: 8 }}>
          <Sign kind={state === 'claimed' ? 'unproven' : 'violation'} hazard={severity === 'hazard'} size={20} />
          <Words style={{ flex: 1, fontSize: 17, lineHeight: 23 }}>
            {`${number}  ${words} ${state === 'claimed' ? `(${VIOLATION_STATES.claimed.toLowerCase()})` : ''}`}
          </Words>
        </View>
      ))}
    </View>
  );
}

/** What an approval hangs on: open violations and points not proved that are no hazards, and words of one’s own, each with a day. */
function Conditions({
  standing,
  conditions,
  onChange,
}: {
  standing: Standing;
  conditions: readonly Condition[];
  onChange: (conditions: readonly Condition[]) => void;
}) {
  const [text, setText] = useState('');
  const [day, setDay] = useState(inDays(30));
  const offered = [
    ...standing.open
      .filter(({ severity }) => severity !== 'hazard')
      .map((one) => ({ of: one.id, text: one.remedy || one.words })),
    ...standing.unproven
      .filter(({ severity }) => severity !== 'hazard')
      .map((one) => ({ of: one.rule, text: one.reason })),
  ].filter(({ of }) => !conditions.some((one) => one.of === of));
  const [dayless, setDayless] = useState(false);
  /** Whether it was added: a condition without a day is none. */
  const add = (one: { of: string | null; text: string }): boolean => {
    setDayless(day === '');
    if (day === '') return false;
    onChange([...conditions, { id: crypto.randomUUID(), dueOn: day, ...one }]);
    return true;
  };
  return (
    <View style={{ gap: 8 }}>
      <Heading>Conditions</Heading>
      {conditions.map((one) => (
        <View key={one.id} style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
          <Words style={{ flex: 1, fontSize: 17 }}>{`${one.text} By ${shortDayText(one.dueOn)}.`}</Words>
          <Plate
            role="button"
            quiet
            label="Take out"
            onPress={() => onChange(conditions.filter((each) => each !== one))}
          />
        </View>
      ))}
      <Day label="To be met" day={day} onChoose={setDay} />
      {dayless && day === '' && <Trouble>Give the day by which it is met; what you wrote is kept.</Trouble>}
      {offered.map((one) => (
        <Plate key={one.of} role="button" label={`By then: ${one.text}`} onPress={() => add(one)} />
      ))}
      <Input
        label="Another condition"
        aria-label="Another condition"
        value={text}
        onChangeText={setText}
        multiline
        renderErrorMessage={false}
        containerStyle={FLAT}
      />
      <View style={{ flexDirection: 'row' }}>
        <Plate
          role="button"
          label="Add it"
          onPress={() => {
            if (text.trim() === '') return;
            if (add({ of: null, text: text.trim() })) setText('');
          }}
        />
      </View>
    </View>
  );
}

/** What is ordered, on what ground, and who was told. */
function OrderForm({ order, onChange }: { order: Order; onChange: (order: Order) => void }) {
  const field = (key: 'ground' | 'covers' | 'mayDo' | 'told', label: string) => (
    <Input
      label={label}
      aria-label={label}
      value={order[key]}
      onChangeText={(text: string) => onChange({ ...order, [key]: text })}
      multiline={key === 'ground'}
      renderErrorMessage={false}
      containerStyle={FLAT}
    />
  );
  return (
    <View style={{ gap: 8 }}>
      <Heading>The order</Heading>
      <Quiet>It stands in force until the lead lifts it, whatever is recorded or decided meanwhile.</Quiet>
      <Plates label="What is ordered">
        {(Object.keys(ORDER_KINDS) as (keyof typeof ORDER_KINDS)[]).map((one) => (
          <Plate
            key={one}
            label={ORDER_KINDS[one]}
            selected={order.kind === one}
            onPress={() => onChange({ ...order, kind: one })}
          />
        ))}
      </Plates>
      {field('ground', 'Ground')}
      {field('covers', 'What it covers')}
      {field('mayDo', 'What may still be done to make it safe')}
      <Plates label="Who was told">
        {['The owner', 'The contractor', 'Nobody was there; posted at the door'].map((one) => (
          <Plate
            key={one}
            label={one}
            selected={order.told === one}
            onPress={() => onChange({ ...order, told: one })}
          />
        ))}
      </Plates>
      {field('told', 'or whom by name')}
    </View>
  );
}

/** Which stations were looked at, and why not the others. */
function Scope({
  scope,
  leftOut,
  onScope,
  onLeftOut,
}: {
  scope: readonly Station[];
  leftOut: string;
  onScope: (scope: readonly Station[]) => void;
  onLeftOut: (why: string) => void;
}) {
  return (
    <View style={{ gap: 8 }}>
      <Heading>Stations that it answers for</Heading>
      <View role="group" aria-label="Stations" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {STATIONS.map((one) => (
          <Plate
            key={one}
            label={STATION_NAMES[one]}
            selected={scope.includes(one)}
            onPress={() =>
              onScope(
                scope.includes(one)
                  ? scope.filter((each) => each !== one)
                  : STATIONS.filter((each) => each === one || scope.includes(each)),
              )
            }
          />
        ))}
      </View>
      <Plates label="Why not the others">
        {['Rough-in; the rest is not built yet.', 'Not accessible today.'].map((one) => (
          <Plate key={one} label={one} selected={leftOut === one} onPress={() => onLeftOut(one)} />
        ))}
      </Plates>
      <Input
        label="or in your words"
        aria-label="Why not the others, typed"
        value={leftOut}
        onChangeText={onLeftOut}
        renderErrorMessage={false}
        containerStyle={FLAT}
      />
    </View>
  );
}

/** The decision is a person's: every finding is answered, the decision chosen, and signed. */
export function DecisionForm({ walk }: { walk: Walk }) {
  const router = useRouter();
  const wide = useWide();
  const account = useSession((one) => one.account);
  const { inspection, evaluation } = walk;
  const { docket } = inspection;
  const { trouble: refused, change } = useChange();
  const [kind, setKind] = useState<DecisionKind>();
  const [conditions, setConditions] = useState<readonly Condition[]>([]);
  const [day, setDay] = useState('');
  const [scope, setScope] = useState<readonly Station[]>(STATIONS);
  const [leftOut, setLeftOut] = useState('');
  const [handover, setHandover] = useState('');
  const [path, setPath] = useState('');
  const [password, setPassword] = useState('');
  const office = useSession((one) => one.office);
  const passwordAt = useSession((one) => one.passwordAt);
  const reach = useInspections((one) => one.reach);
  /** Without signal nobody could say whether it is the right one; the office asks for it the next time. */
  const asksPassword = reach === 'reached' && passwordAt !== null && Date.now() - passwordAt > DAY_MS;
  const [own, setOwn] = useState(false);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const [said, setSaid] = useState<Order>();
  const order: Order = said ?? {
    kind: 'stop-work',
    ...orderGround(docket.violations),
    covers: 'The generator connection',
    told: '',
  };
  const answersFor = kind === 'passed-stations' ? scope : STATIONS;
  const standing = standingOf(inspection, evaluation, answersFor);
  const inspector = account !== null && inspects(account.role);
  const passes = isApproval(kind) || kind === 'passed-stations';
  const conditional = new Set(conditions.map(({ of }) => of));

  const sign = () => {
    if (!kind) return setTrouble(['Choose a decision first.']);
    const decision: Decision = {
      kind,
      conditions: kind === 'approved-with-conditions' ? [...conditions] : [],
      dueOn: !passes && day !== '' ? day : null,
      order: kind === 'stop-work' ? order : null,
      scope: [...answersFor],
      leftOut: kind === 'passed-stations' ? leftOut.trim() : '',
      handover: handover.trim(),
      signature: { name: account?.name ?? '', path },
    };
    const why = whyNotDecide(inspection, evaluation, decision, dayAtHouse(new Date().toISOString()));
    try {
      decisionSchema.validateSync(decision);
    } catch (error) {
      why.push((error as Error).message);
    }
    const notHere = whyNotSignHere(office?.offlineHours ?? 24);
    if (notHere) why.push(notHere);
    if (asksPassword && password === '') why.push('Give your password: you gave it more than a day ago.');
    if (why.length > 0) return setTrouble(why);
    setTrouble([]);
    (asksPassword ? passwordAgain(password) : Promise.resolve())
      .then(() => decide(inspection, evaluation, decision))
      .then(
        () => router.replace(`/inspection/${inspection.id}/record`),
        (error: Error) => setTrouble([error.message]),
      );
  };

  return (
    <Screen
      narrow
      head={wide ? undefined : <BackHome inspection={inspection} />}
      act={
        <View style={{ gap: 6 }}>
          {asksPassword && (
            <Input
              aria-label="Your password, again"
              placeholder="Your password, again"
              secureTextEntry
              autoComplete="current-password"
              value={password}
              onChangeText={setPassword}
              renderErrorMessage={false}
              containerStyle={FLAT}
            />
          )}
          {trouble.map((one) => (
            <Trouble key={one}>{one}</Trouble>
          ))}
          <Button
            title={kind ? `Sign: ${DECISIONS[kind].toLowerCase()}` : 'Sign'}
            disabled={!inspector}
            onPress={sign}
          />
        </View>
      }
    >
      <View style={{ gap: 14 }}>
        <Title>Decide and sign</Title>
        {!wide && <VerdictBlock evaluation={evaluation} />}
        <OrderInForce inspection={inspection} posting={!wide} />
        <Quiet>
          {inspector
            ? 'You decide, not the program. What you sign is sealed with everything shown today.'
            : 'Only an inspector of the office can sign.'}
        </Quiet>
        {inspector && (
          <>
            <Trouble>{refused}</Trouble>
            <Answers
              inspection={inspection.id}
              docket={docket}
              unanswered={standing.unanswered}
              causes={causesOf(inspection.case, evaluation, inspection.rules?.profile)}
              change={change}
            />
            <OpenViolations docket={docket} />
            {own ? (
              <OwnViolation inspection={inspection.id} change={change} onClose={() => setOwn(false)} />
            ) : (
              <View style={{ flexDirection: 'row' }}>
                <Plate role="button" quiet label="A violation of your own" onPress={() => setOwn(true)} />
              </View>
            )}
          </>
        )}
        <Plates label="Decision">
          {(Object.keys(DECISIONS) as DecisionKind[]).map((one) => (
            <Plate
              key={one}
              label={DECISIONS[one]}
              selected={kind === one}
              onPress={() => {
                setKind(one);
                setTrouble([]);
              }}
            />
          ))}
        </Plates>
        {kind === 'passed-stations' && (
          <Scope scope={scope} leftOut={leftOut} onScope={setScope} onLeftOut={setLeftOut} />
        )}
        {kind === 'approved-with-conditions' && (
          <Conditions standing={standing} conditions={conditions} onChange={setConditions} />
        )}
        {passes && standing.unproven.length > 0 && (
          <View>
            <Heading>{`${standing.unproven.length} not proved`}</Heading>
            <Quiet>Prove them, or say of each why it does not count here. It stays in the record with your name.</Quiet>
            {standing.unproven
              .filter(({ rule }) => !conditional.has(rule))
              .map((one) => (
                <Unproven key={one.rule} inspection={inspection.id} outcome={one} change={change} />
              ))}
          </View>
        )}
        {kind === 'stop-work' && <OrderForm order={order} onChange={setSaid} />}
        {kind && !passes && (
          <View style={{ gap: 8 }}>
            <Heading>{kind === 'stop-work' ? 'Reinspection' : 'To be corrected by'}</Heading>
            <Day label={kind === 'stop-work' ? 'Reinspection' : 'To be corrected by'} day={day} onChoose={setDay} />
          </View>
        )}
        {kind && (
          <View style={{ gap: 8 }}>
            <Input
              label="A line for whoever comes next"
              aria-label="A line for whoever comes next"
              value={handover}
              onChangeText={setHandover}
              maxLength={120}
              renderErrorMessage={false}
              containerStyle={FLAT}
            />
            <Heading>Signature</Heading>
            <Words style={{ fontWeight: '700' }}>{account?.name}</Words>
            <Quiet>Your name is the signature; draw it too if your office wants it.</Quiet>
            <Signature onChange={setPath} />
          </View>
        )}
      </View>
    </Screen>
  );
}
