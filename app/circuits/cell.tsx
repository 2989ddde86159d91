import { useEffect, useRef, useState, type Ref } from 'react';
import { View } from 'react-native';
import { NOT_SEEN } from '@careful-latch/core/case';
import { readCell, type CircuitColumn } from '@careful-latch/core/formats';
import { READING_FONT, usePalette } from '../theme/theme';
import { Words } from '../theme/words';

/** Where the keyboard goes after a cell was answered. */
export type Leave = 'down' | 'right' | 'left' | 'stay';

/** What stands in a cell when it is begun: what was there, or what the key stands for that began it. */
function begunWith({ meta }: CircuitColumn, value: unknown, typed: string): string {
  const was = value === undefined ? '' : String(value);
  if (meta.kind === 'amount') return typed || (was === NOT_SEEN ? '' : was);
  const named = typed && meta.choices.find(({ label }) => label.toLowerCase().startsWith(typed.toLowerCase()));
  return named ? named.value : was;
}

/** The editor of one cell, in its place. What cannot be read gets its sentence, and stays as it was typed. */
export function CellEditor({
  column,
  value,
  typed,
  onRecord,
  onLeave,
  onUnread,
}: {
  column: CircuitColumn;
  value: unknown;
  /** The key that began it, where one was typed. */
  typed: string;
  onRecord: (value: string | number | null) => void;
  onLeave: (to: Leave) => void;
  /** It was left with something in it that cannot be read. */
  onUnread: (why: string) => void;
}) {
  const palette = usePalette();
  const [text, setText] = useState(() => begunWith(column, value, typed));
  const [wrong, setWrong] = useState<string>();
  const field = useRef<HTMLInputElement | HTMLSelectElement>(null);
  const left = useRef(false);
  useEffect(() => field.current?.focus(), []);

  const take = (said: string, to: Leave) => {
    if (left.current) return;
    const read = readCell(column, said);
    if (read.why !== undefined) {
      setWrong(read.why);
      return;
    }
    left.current = true;
    const next = read.value ?? null;
    if (next !== (value ?? null)) onRecord(next);
    onLeave(to);
  };
  /** Another place was touched: the cell is left in any case, and what was typed stands in the sentence. */
  const leaveByTouch = () => {
    if (left.current) return;
    const { why } = readCell(column, text);
    if (why === undefined) return take(text, 'stay');
    left.current = true;
    onUnread(`${column.meta.label}, “${text}”: ${why}.`);
  };
  const onKeyDown = (event: { key: string; shiftKey: boolean; preventDefault(): void; stopPropagation(): void }) => {
    event.stopPropagation();
    const to = { Enter: 'down', Tab: event.shiftKey ? 'left' : 'right' }[event.key] as Leave | undefined;
    if (event.key === 'Escape') {
      left.current = true;
      onLeave('stay');
    } else if (to) take(text, to);
    else return;
    event.preventDefault();
  };
  const look = {
    minHeight: 44,
    width: '100%',
    borderWidth: 2,
    borderStyle: 'solid',
    borderColor: wrong ? palette.violation : palette.copper,
    backgroundColor: palette.sheet,
    color: palette.ink,
    fontSize: 16,
    boxSizing: 'border-box',
    paddingInline: 6,
  } as const;
  if (column.meta.kind !== 'amount')
    return (
      <select
        ref={field as Ref<HTMLSelectElement>}
        aria-label={column.meta.label}
        value={text}
        style={{ ...look, fontFamily: 'inherit', borderRadius: 0 }}
        onChange={({ target }) => setText(target.value)}
        onKeyDown={onKeyDown}
        onBlur={() => take(text, 'stay')}
      >
        <option value="">not looked at yet</option>
        {column.meta.choices.map((one) => (
          <option key={one.value} value={one.value}>
            {one.label}
          </option>
        ))}
        <option value={NOT_SEEN}>not seen</option>
      </select>
    );
  return (
    <View>
      <input
        ref={field as Ref<HTMLInputElement>}
        aria-label={column.meta.label}
        aria-invalid={wrong !== undefined}
        inputMode="decimal"
        value={text}
        onChange={({ target }) => {
          setText(target.value);
          setWrong(undefined);
        }}
        onKeyDown={onKeyDown}
        onBlur={leaveByTouch}
        style={{ ...look, fontFamily: READING_FONT }}
      />
      {wrong !== undefined && (
        <Words role="alert" color={palette.violation} style={{ fontSize: 14, lineHeight: 17 }}>
          {wrong}
        </Words>
      )}
    </View>
  );
}
