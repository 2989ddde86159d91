import { Fragment, useState } from 'react';
import { View } from 'react-native';
import { ORDER_KINDS, ORDER_STATES, inForce, inspects, type Inspection, type Order } from '@careful-latch/core/record';
import { EvidencePane, ShownEvidence } from '../evidence/evidence';
import { Plate } from '../plates/plate';
import { useSession } from '../stores/session';
import { shortDayText } from '../theme/dates';
import { cut, usePalette } from '../theme/theme';
import { Words } from '../theme/words';

/** The order that is in force at a house: nobody there is to miss it, whatever else is recorded. */
export function OrderInForce({
  inspection,
  posting = true,
}: {
  inspection: Inspection;
  /** Whether a photo of it is asked for here; a wide screen has the house beside, where it is. */
  posting?: boolean;
}) {
  const palette = usePalette();
  return inForce(inspection.docket).map((order) => (
    <Fragment key={order.id}>
      <View
        role="status"
        testID="order-in-force"
        style={[{ backgroundColor: palette.violation, padding: 12, gap: 2 }, cut(12)]}
      >
        <Words color={palette.paper} style={{ fontSize: 24, lineHeight: 28, fontWeight: '700' }}>
          {ORDER_KINDS[order.kind].toUpperCase()}
        </Words>
        <Words color={palette.paper} style={{ fontSize: 16, lineHeight: 22 }}>
          {`${ORDER_STATES[order.state]} since ${shortDayText(order.steps[0]!.at)}. ${order.covers}. ${order.ground}`}
        </Words>
        {order.mayDo !== '' && (
          <Words color={palette.paper} style={{ fontSize: 16, lineHeight: 22 }}>
            {`May be done: ${order.mayDo}.`}
          </Words>
        )}
      </View>
      {posting && <Posting inspection={inspection} order={order} />}
    </Fragment>
  ));
}

/** What shows that the order hangs where it must; an inspector is asked for a photo until there is one. */
function Posting({ inspection, order }: { inspection: Inspection; order: Order }) {
  const account = useSession((one) => one.account);
  const [open, setOpen] = useState(false);
  const evidence = inspection.evidence.filter((one) => one.about === order.id);
  const there = evidence.some((one) => one.photo !== null);
  if (!account || !inspects(account.role)) return null;
  if (!open && there) return <ShownEvidence inspection={inspection.id} evidence={evidence} />;
  return (
    <View testID="posting" style={{ gap: 6, paddingTop: 8 }}>
      {!there && (
        <Words style={{ fontSize: 16 }}>No photo shows yet that it hangs there. Take one before you leave.</Words>
      )}
      {open ? (
        <EvidencePane
          inspection={inspection.id}
          about={order.id}
          evidence={evidence}
          caption="The order, as it was posted"
        />
      ) : (
        <View style={{ flexDirection: 'row' }}>
          <Plate role="button" label="Photo of the posting" onPress={() => setOpen(true)} />
        </View>
      )}
    </View>
  );
}
