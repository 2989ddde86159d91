import { violationsOf } from '@careful-latch/core/verdict';
import { Button } from '../theme/elements';
import { useRouter } from 'expo-router';
import { Suspense, lazy, memo, useState } from 'react';
import { View } from 'react-native';
import { inForce, inspects, isOutside, isToVisit, may, stateWords, type Inspection } from '@careful-latch/core/record';
import { Plate } from '../plates/plate';
import { record } from '../stores/inspections';
import { useSession } from '../stores/session';
import { dayText } from '../theme/dates';
import { Quiet, Title } from '../theme/words';
import { OrderInForce } from './order-in-force';
import { SaveLine } from './save-line';
import type { Walk } from './walk';

const CorrectHead = lazy(async () => ({ default: (await import('../docket/screens')).CorrectHead }));

/** The inspection's head: the address once, and how it stands. */
export const Head = memo(function Head({ walk: { inspection } }: { walk: Walk }) {
  const { address, owner, permit, edition } = inspection.header;
  const [correcting, setCorrecting] = useState(false);
  if (correcting)
    return (
      <Suspense fallback={null}>
        <CorrectHead inspection={inspection} onClose={() => setCorrecting(false)} />
      </Suspense>
    );
  return (
    <View>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'flex-start', gap: 8 }}>
        <Title style={{ flex: 1, fontSize: 24, lineHeight: 30 }}>{address}</Title>
        <Plate role="button" quiet label="Correct" onPress={() => setCorrecting(true)} />
      </View>
      <Quiet numberOfLines={1}>{[owner, permit, `edition ${edition}`].filter(Boolean).join(' · ')}</Quiet>
      <OrderInForce inspection={inspection} />
      {inForce(inspection.docket).length === 0 && <Quiet>{stateWords(inspection)}</Quiet>}
      <SaveLine inspection={inspection.id} />
    </View>
  );
});

/** A contractor hands his own house to the office, once: what he recorded is claimed from then on. */
function Request({ inspection }: { inspection: Inspection }) {
  const [sure, setSure] = useState(false);
  if (inspection.decisions.length > 0) return null;
  if (inspection.claimed)
    return (
      <Quiet>{`You asked the office for an inspection ${dayText(inspection.claimed.at)}. It records what it finds itself; what is issued to you is shown here.`}</Quiet>
    );
  if (!sure)
    return (
      <View style={{ gap: 8 }}>
        <Quiet>A self-check: your firm alone sees it, until you ask the office for an inspection.</Quiet>
        <Button title="Ask the office for an inspection" onPress={() => setSure(true)} />
      </View>
    );
  return (
    <View style={{ gap: 8 }}>
      <Quiet>
        The office gets what you recorded as your claim, and finds for itself. You change nothing of it after that.
      </Quiet>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Plate role="button" quiet label="Not yet" onPress={() => setSure(false)} />
        <Plate
          role="button"
          label="Hand it over"
          onPress={() => record({ type: 'request', inspection: inspection.id })}
        />
      </View>
    </View>
  );
}

/** What can be done with the whole: findings, the decision, and the records once there are any. */
export const Acts = memo(function Acts({ walk: { inspection, evaluation } }: { walk: Walk }) {
  const router = useRouter();
  const role = useSession((one) => one.account?.role);
  const contractor = role !== undefined && isOutside(role);
  const ofOffice = role !== undefined && may(role, 'see-office');
  const violations = violationsOf(evaluation).length;
  const go = (screen: string) => router.navigate(`/inspection/${inspection.id}/${screen}` as never);
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Plate
          role="button"
          style={{ flex: 1 }}
          label={violations > 0 ? `Findings (${violations})` : 'Findings'}
          onPress={() => go('findings')}
        />
        {(ofOffice || isToVisit(inspection)) && (
          <Plate role="button" style={{ flex: 1 }} label="Visit" onPress={() => go('visit')} />
        )}
        {(ofOffice || inspection.decisions.length > 0) && (
          <Plate role="button" style={{ flex: 1 }} label="Record" onPress={() => go('record')} />
        )}
      </View>
      {contractor && <Request inspection={inspection} />}
      {role !== undefined && inspects(role) && <Button title="Decide and sign" onPress={() => go('decide')} />}
    </View>
  );
});
