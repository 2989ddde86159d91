import { View } from 'react-native';
import { ORDER_KINDS, ORDER_STATES, inForce, type Inspection } from '@careful-latch/core/record';
import { shortDayText } from '../theme/dates';
import { cut, usePalette } from '../theme/theme';
import { Words } from '../theme/words';

/** The order that is in force at a house: nobody there is to miss it, whatever else is recorded. */
export function OrderInForce({ inspection }: { inspection: Inspection }) {
  const palette = usePalette();
  return inForce(inspection.docket).map((order) => (
    <View
      key={order.id}
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
  ));
}
