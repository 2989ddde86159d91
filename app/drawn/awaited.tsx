import { View } from 'react-native';
import { cut, usePalette } from '../theme/theme';
import { Title } from '../theme/words';

/** The outline of a drawing that has not come yet, where it will hang; of a station, the strip's place below it. */
export function Awaited({ title, strip = false }: { title?: string; strip?: boolean }) {
  const palette = usePalette();
  return (
    <View aria-busy style={{ flex: 1, minHeight: 320, backgroundColor: palette.paper }}>
      <View style={{ flex: 1, paddingHorizontal: 12, paddingBottom: 10, gap: 8 }}>
        {title !== undefined && <Title style={{ fontSize: 24, lineHeight: 30 }}>{title}</Title>}
        <View style={[{ flex: 1, maxHeight: 460, borderWidth: 1, borderColor: palette.hairline }, cut(18)]} />
      </View>
      {strip && <View style={{ height: 260, borderTopWidth: 2, borderColor: palette.copper }} />}
    </View>
  );
}
