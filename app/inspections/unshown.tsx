import { View } from 'react-native';
import type { Inspection } from '@careful-latch/core/record';
import { Quiet, Words } from '../theme/words';

/** In place of an inspection that cannot be drawn. */
export const Unshown = ({ inspection }: { inspection: Inspection }) => (
  <View role="alert" style={{ paddingVertical: 12 }}>
    <Words>{inspection.header.address}</Words>
    <Quiet>This inspection cannot be shown here. What was recorded is kept; the others are not touched by it.</Quiet>
  </View>
);
