import { createSortedRowModel, rowSortingFeature, tableFeatures } from '@tanstack/react-table';

/** What our tables do: they sort. */
export const TABLE_FEATURES = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() });

const text = new Intl.Collator('en', { numeric: true });
/** Compares two rows by a column’s values: numbers as numbers, texts as a reader would. */
export const byValue = (a: { getValue(id: string): unknown }, b: typeof a, id: string): number => {
  const [one, other] = [a.getValue(id), b.getValue(id)];
  return typeof one === 'number' && typeof other === 'number' ? one - other : text.compare(String(one), String(other));
};
