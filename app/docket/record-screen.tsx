import { Button } from '../theme/elements';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { STATION_NAMES } from '@careful-latch/core/case';
import {
  DECISIONS,
  ORDER_KINDS,
  VIOLATION_STATES,
  conditionsOf,
  inspects,
  isApproval,
  overruledIn,
  type Inspection,
  type Signed,
} from '@careful-latch/core/record';
import { verdictWords } from '@careful-latch/core/verdict';
import { Sign, shownAs } from '../drawn/signs';
import { ShownEvidence } from '../evidence/evidence';
import { Plate } from '../plates/plate';
import { office as asked, type SignedRecord } from '../stores/office';
import { BackHome } from '../inspection/back-home';
import { dayText, momentText } from '../theme/dates';
import { saveFile } from '../theme/files';
import { Screen, useWide } from '../theme/screen';
import { cut, usePalette, outline } from '../theme/theme';
import { Heading, Quiet, Reading, Title, Words } from '../theme/words';
import { SaveLine } from '../inspection/save-line';
import type { Walk } from '../inspection/walk';
import { PAPERS, paperOf, type PaperName } from '@careful-latch/core/papers';
import { sourceOf } from '../papers/source';
import { useSession } from '../stores/session';
import { Appeals, Became, BecomeActs, Held, PermitAndInstaller } from './follow-up';
import { keepForCourt, keepRecord } from './keep';
import { Trouble } from '../theme/trouble';
import { Notes } from './notes';
import { Parties } from './parties';
import { useRecords } from './use-records';
import { SIGNATURE_BOX } from './signature-path';

/** The papers that a decision has, each to be seen and printed. */
function Papers({
  inspection,
  signed,
  sealed,
}: {
  inspection: Inspection;
  signed: Signed;
  sealed: SignedRecord | undefined;
}) {
  const router = useRouter();
  const office = useSession((one) => one.office);
  const source = sourceOf(inspection, signed, sealed, office);
  const names = (Object.keys(PAPERS) as PaperName[]).filter((one) => typeof paperOf(one, source) !== 'string');
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      {names.map((one) => (
        <Plate
          key={one}
          role="button"
          label={PAPERS[one].title}
          onPress={() =>
            router.navigate(`/inspection/${inspection.id}/paper?decision=${signed.id}&name=${one}` as never)
          }
        />
      ))}
    </View>
  );
}

/** One signed decision, with what the engine showed when it was signed. */
function SignedDecision({
  inspection,
  signed,
  sealed,
}: {
  inspection: Inspection;
  signed: Signed;
  sealed: SignedRecord | undefined;
}) {
  const palette = usePalette();
  const good = isApproval(signed.kind);
  const part = signed.kind === 'passed-stations';
  const evaluation = sealed?.record.evaluation;
  const against = evaluation?.outcomes.filter((one) => one.outcome === 'violation' || one.outcome === 'unproven') ?? [];
  return (
    <View
      testID="signed"
      style={[
        {
          backgroundColor: palette.sheet,
          padding: 14,
          gap: 8,
        },
        outline(good ? palette.holds : part ? palette.unproven : palette.violation, !good && !part),
        cut(14),
      ]}
    >
      <View style={{ flexDirection: 'row', gap: 10, alignItems: 'center' }}>
        <Sign kind={good ? 'holds' : part ? 'unproven' : 'violation'} hazard={signed.kind === 'stop-work'} />
        <Heading style={{ flex: 1 }}>{DECISIONS[signed.kind]}</Heading>
      </View>
      <Words>
        {momentText(signed.at)}, {signed.signature.name}
        {sealed ? `, ${sealed.record.office.name}` : ''}
      </Words>
      <Became inspection={inspection} signed={signed} />
      <Papers inspection={inspection} signed={signed} sealed={sealed} />
      {conditionsOf(signed).map(({ text, dueOn }) => (
        <Words key={text}>{`Condition: ${text}${dueOn === null ? '' : ` By ${dayText(dueOn)}.`}`}</Words>
      ))}
      {part && 'scope' in signed && (
        <Words>{`For ${signed.scope.map((one) => STATION_NAMES[one]).join(', ')}. The others: ${signed.leftOut}`}</Words>
      )}
      {'order' in signed && signed.order && (
        <Words>{`${ORDER_KINDS[signed.order.kind]}: ${signed.order.ground} It covers ${signed.order.covers}. Told: ${signed.order.told}.`}</Words>
      )}
      {sealed?.record.docket?.violations.map((one) => (
        <Words key={one.id} style={{ fontSize: 17 }}>
          {`Violation ${one.number}, ${VIOLATION_STATES[one.state].toLowerCase()}${one.dueOn ? `, by ${dayText(one.dueOn)}` : ''}: ${one.words}`}
        </Words>
      ))}
      {signed.dueOn && <Words>Reinspection due {dayText(signed.dueOn)}</Words>}
      {signed.signature.path !== '' && (
        <Svg
          width={240}
          height={90}
          viewBox={`0 0 ${SIGNATURE_BOX.width} ${SIGNATURE_BOX.height}`}
          role="img"
          aria-label="Drawn signature"
        >
          <Path d={signed.signature.path} fill="none" stroke={palette.ink} strokeWidth={2} />
        </Svg>
      )}
      {evaluation && (
        <Words>
          Shown by the engine ({evaluation.engine}, edition {evaluation.edition}):{' '}
          {verdictWords(evaluation.verdict).toLowerCase()}
        </Words>
      )}
      {against.map((one) => {
        const overruled = overruledIn(signed).find((each) => each.rule === one.rule);
        return (
          <View
            key={one.rule}
            style={{ borderTopWidth: 1, borderColor: palette.hairline, paddingTop: 6, flexDirection: 'row', gap: 8 }}
          >
            <Sign kind={shownAs(one)} hazard={one.severity === 'hazard'} size={20} />
            <View style={{ flex: 1 }}>
              <Words style={{ fontSize: 17 }}>{one.reason}</Words>
              {one.remedy && <Quiet>Remedy: {one.remedy}</Quiet>}
              <Quiet>
                {one.cites.join(' · ')} · {one.rule}
              </Quiet>
              {sealed?.record.docket?.notTakenUp
                .filter((each) => each.rule === one.rule)
                .map((each) => (
                  <Words key={each.part} style={{ fontSize: 17 }}>{`Dismissed: ${each.reason}`}</Words>
                ))}
              {overruled && <Words style={{ fontSize: 17 }}>Overruled: {overruled.reason}</Words>}
            </View>
          </View>
        );
      })}
      {sealed?.record.evidence && sealed.record.evidence.length > 0 && (
        <ShownEvidence inspection={inspection.id} evidence={sealed.record.evidence} sealed />
      )}
      {sealed ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'baseline' }}>
          <Quiet color={sealed.sealHolds ? palette.holds : palette.violation}>
            {sealed.record.offline &&
              `Signed without signal by the device’s clock; received ${momentText(sealed.record.receivedAt!)}. `}
            {sealed.sealHolds ? 'Seal holds' : 'SEAL BROKEN: this record was changed after it was signed'}
          </Quiet>
          <Reading style={{ fontSize: 15 }}>{sealed.seal.slice(0, 16)}</Reading>
        </View>
      ) : (
        <Quiet color={palette.unproven}>
          {signed.seal
            ? 'Sealed at the office; the full record comes when the office can be reached.'
            : 'Signed on this phone; sealed as soon as the office has it.'}
        </Quiet>
      )}
      <BecomeActs inspection={inspection} signed={signed} />
    </View>
  );
}

/** Everything signed for this inspection, the newest first, as it was shown when it was signed. */
export function RecordScreen({ walk: { inspection } }: { walk: Walk }) {
  const router = useRouter();
  const wide = useWide();
  const sealed = useRecords(inspection);
  const { records } = sealed;
  const office = useSession((one) => one.office);
  const lead = useSession((one) => one.account?.role === 'lead');
  const inspector = useSession((one) => one.account !== null && inspects(one.account.role));
  const [packing, setPacking] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const pack = async (keep: () => Promise<void>) => {
    setPacking(true);
    setTrouble(undefined);
    try {
      await keep();
    } catch {
      setTrouble('It could not be packed here. With signal, load the application again, and try anew.');
    }
    setPacking(false);
  };
  const { address, owner, permit, edition } = inspection.header;
  return (
    <Screen
      narrow
      head={wide ? undefined : <BackHome inspection={inspection} />}
      act={<Button title="All inspections" onPress={() => router.navigate('/')} />}
    >
      <View style={{ gap: 14 }}>
        <Title>Record</Title>
        <Words>{[address, owner, permit, `edition ${edition}`].filter(Boolean).join(' · ')}</Words>
        {!wide && <SaveLine />}
        <View style={{ flexDirection: 'row' }}>
          <Plate
            role="button"
            label="History"
            onPress={() => router.navigate(`/inspection/${inspection.id}/history` as never)}
          />
        </View>
        <Trouble>{trouble}</Trouble>
        {inspection.decisions.length === 0 && <Quiet>Nothing is signed yet.</Quiet>}
        {inspection.changedSinceDecision && (
          <Quiet>Facts have changed since the last signature; they are not part of any record below.</Quiet>
        )}
        {records.length > 0 && (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <Plate
              role="button"
              quiet
              label="Save as a file"
              onPress={() => saveFile('record.json', 'application/json', JSON.stringify(sealed, undefined, 2))}
            />
            <Plate
              role="button"
              quiet
              label={packing ? 'Packing…' : 'Save everything'}
              onPress={() => void pack(() => keepRecord(inspection, sealed, office))}
            />
            {lead && (
              <Plate
                role="button"
                quiet
                label="For a court"
                onPress={() =>
                  void pack(async () => keepForCourt(inspection, sealed, office, await asked.looked(inspection.id)))
                }
              />
            )}
          </View>
        )}
        {[...inspection.decisions].reverse().map((signed) => (
          <SignedDecision
            key={signed.id}
            inspection={inspection}
            signed={signed}
            sealed={records.find((one) => one.id === signed.id)}
          />
        ))}
        <PermitAndInstaller inspection={inspection} />
        <Appeals inspection={inspection} />
        {lead && <Held inspection={inspection} />}
        {inspector && <Parties inspection={inspection} />}
        {inspector && <Notes inspection={inspection.id} />}
      </View>
    </Screen>
  );
}
