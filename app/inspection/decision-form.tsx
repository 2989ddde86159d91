import { Button, Input } from '../theme/elements';
import dayjs from 'dayjs';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { STATION_NAMES } from '@careful-latch/core/case';
import { DECISIONS, blocking, decisionSchema, whyNotDecide, type DecisionKind } from '@careful-latch/core/record';
import type { Outcome } from '@careful-latch/core/verdict';
import { SignWithWord } from '../drawn/signs';
import { Plate, Plates } from '../plates/plate';
import { decide } from '../stores/inspections';
import { useSession } from '../stores/session';
import { Back } from '../theme/back';
import { Screen, useWide } from '../theme/screen';
import { usePalette } from '../theme/theme';
import { shortDayText } from '../theme/dates';
import { Heading, Quiet, Title, Words } from '../theme/words';
import { Signature } from './signature';
import type { Walk } from './walk';
import { VerdictBlock } from './verdict-block';

const DAYS = [7, 14, 30] as const;
const approving = (kind: DecisionKind | undefined) => kind === 'approved' || kind === 'approved-with-conditions';

function Overrule({
  outcome,
  reason,
  onChange,
}: {
  outcome: Outcome;
  reason: string;
  onChange: (reason: string) => void;
}) {
  const palette = usePalette();
  return (
    <View style={{ gap: 4, paddingVertical: 10, borderTopWidth: 1, borderColor: palette.hairline }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        <SignWithWord kind={outcome.outcome} severity={outcome.severity} />
        <Quiet>{STATION_NAMES[outcome.station]}</Quiet>
      </View>
      <Words style={{ fontSize: 17 }}>{outcome.reason}</Words>
      <Input
        value={reason}
        onChangeText={onChange}
        aria-label={`Reason for overruling ${outcome.rule}`}
        placeholder="Overrule: your reason"
        multiline
        renderErrorMessage={false}
        containerStyle={{ paddingHorizontal: 0 }}
      />
    </View>
  );
}

/** The decision is a person's: it is chosen, reasoned where the engine is overruled, and signed. */
export function DecisionForm({ walk }: { walk: Walk }) {
  const router = useRouter();
  const palette = usePalette();
  const wide = useWide();
  const account = useSession((one) => one.account);
  const [kind, setKind] = useState<DecisionKind>();
  const [conditions, setConditions] = useState('');
  const [days, setDays] = useState<number>();
  const [reasons, setReasons] = useState<Readonly<Record<string, string>>>({});
  const [name, setName] = useState(account?.name ?? '');
  const [path, setPath] = useState('');
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const { inspection, evaluation } = walk;
  const blocks = blocking(evaluation);

  const sign = () => {
    if (!kind) return setTrouble(['Choose a decision first.']);
    const decision = {
      kind,
      conditions: kind === 'approved-with-conditions' ? conditions.trim() : '',
      dueOn: !approving(kind) && days !== undefined ? dayjs().add(days, 'day').format('YYYY-MM-DD') : null,
      overruled: approving(kind)
        ? blocks.flatMap(({ rule }) => (reasons[rule]?.trim() ? [{ rule, reason: reasons[rule].trim() }] : []))
        : [],
      signature: { name: name.trim(), path },
    };
    const why = whyNotDecide(evaluation, decision);
    try {
      decisionSchema.validateSync(decision);
    } catch (error) {
      why.push((error as Error).message);
    }
    if (why.length > 0) return setTrouble(why);
    setTrouble([]);
    decide(inspection, evaluation, decision).then(
      () => router.replace(`/inspection/${inspection.id}/record`),
      (error: Error) => setTrouble([error.message]),
    );
  };

  return (
    <Screen
      narrow
      head={wide ? undefined : <Back to={`/inspection/${inspection.id}`} label={inspection.header.address} />}
      act={
        <View style={{ gap: 6 }}>
          {trouble.map((one) => (
            <Words key={one} role="alert" color={palette.violation} style={{ fontSize: 16, lineHeight: 22 }}>
              {one}
            </Words>
          ))}
          <Button
            title={kind ? `Sign: ${DECISIONS[kind].toLowerCase()}` : 'Sign'}
            disabled={account?.role !== 'inspector'}
            onPress={sign}
          />
        </View>
      }
    >
      <View style={{ gap: 14 }}>
        <Title>Decide and sign</Title>
        {!wide && <VerdictBlock evaluation={evaluation} />}
        <Quiet>
          {account?.role === 'inspector'
            ? 'You decide, not the program. What you sign is sealed with everything shown today.'
            : 'Only an inspector of the office can sign.'}
        </Quiet>
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
        {kind === 'approved-with-conditions' && (
          <Input
            label="Conditions"
            aria-label="Conditions"
            value={conditions}
            onChangeText={setConditions}
            multiline
            renderErrorMessage={false}
            containerStyle={{ paddingHorizontal: 0 }}
          />
        )}
        {approving(kind) && blocks.length > 0 && (
          <View>
            <Heading>{`${blocks.length} ${blocks.length === 1 ? 'point stands' : 'points stand'} against approval`}</Heading>
            <Quiet>
              Correct or prove them, or overrule each with a reason. The engine’s finding stays in the record beside
              your reason.
            </Quiet>
            {blocks.map((one) => (
              <Overrule
                key={one.rule}
                outcome={one}
                reason={reasons[one.rule] ?? ''}
                onChange={(reason) => setReasons({ ...reasons, [one.rule]: reason })}
              />
            ))}
          </View>
        )}
        {kind && !approving(kind) && (
          <View style={{ gap: 8 }}>
            <Heading>Reinspection</Heading>
            <Plates label="Reinspection">
              {DAYS.map((one) => (
                <Plate
                  key={one}
                  label={`in ${one} days, ${shortDayText(dayjs().add(one, 'day').format('YYYY-MM-DD'))}`}
                  selected={days === one}
                  onPress={() => setDays(days === one ? undefined : one)}
                />
              ))}
            </Plates>
          </View>
        )}
        {kind && (
          <View style={{ gap: 8 }}>
            <Heading>Signature</Heading>
            <Input
              label="Name"
              aria-label="Name"
              value={name}
              onChangeText={setName}
              renderErrorMessage={false}
              containerStyle={{ paddingHorizontal: 0 }}
            />
            <Quiet>The typed name is a signature; draw it too if your office wants it.</Quiet>
            <Signature onChange={setPath} />
          </View>
        )}
      </View>
    </Screen>
  );
}
