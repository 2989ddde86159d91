import { Pressable, View, type DimensionValue } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { TARGET, usePalette } from '../theme/theme';
import { Words } from '../theme/words';

/** How a column sorts the table: not, or one way or the other. */
type Sorted = false | 'asc' | 'desc';

/** The head of a column: pressed, it sorts by it; pressed again, the other way round. */
function ColumnHead({
  label,
  sorted,
  onSort,
  width,
}: {
  label: string;
  sorted: Sorted;
  onSort: () => void;
  width: DimensionValue;
}) {
  const palette = usePalette();
  const sort = { asc: 'ascending', desc: 'descending', none: 'none' }[sorted || 'none'];
  return (
    <View role="columnheader" {...({ 'aria-sort': sort } as object)} style={{ width }}>
      <Pressable
        role="button"
        onPress={onSort}
        style={{ minHeight: TARGET, flexDirection: 'row', alignItems: 'center', gap: 6, paddingHorizontal: 8 }}
      >
        <Words numberOfLines={2} style={{ fontSize: 15, lineHeight: 18, fontWeight: '700', flexShrink: 1 }}>
          {label}
        </Words>
        <Svg width={10} height={14} viewBox="0 0 10 14" aria-hidden>
          {sorted !== 'desc' && <Path d="M5 0L9 5H1Z" fill={sorted ? palette.copper : palette.hairline} />}
          {sorted !== 'asc' && <Path d="M5 14L9 9H1Z" fill={sorted ? palette.copper : palette.hairline} />}
        </Svg>
      </Pressable>
    </View>
  );
}

/** As much of a table of ours as its heads need. */
interface Heads {
  getFlatHeaders(): readonly {
    readonly id: string;
    readonly column: {
      readonly columnDef: { readonly header?: unknown };
      getIsSorted(): Sorted;
      toggleSorting(): void;
    };
  }[];
}

/** The heads of all columns. */
export function HeadRow({ table, widthOf }: { table: Heads; widthOf: (id: string) => DimensionValue }) {
  const palette = usePalette();
  return (
    <View role="row" style={{ flexDirection: 'row', borderBottomWidth: 2, borderColor: palette.copper }}>
      {table.getFlatHeaders().map(({ id, column }) => (
        <ColumnHead
          key={id}
          label={String(column.columnDef.header)}
          sorted={column.getIsSorted()}
          onSort={() => column.toggleSorting()}
          width={widthOf(id)}
        />
      ))}
    </View>
  );
}
