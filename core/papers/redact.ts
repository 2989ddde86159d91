import type { Block, Paper } from './paper';

/** Why something is taken out of a copy. */
export const REMOVAL_REASONS = {
  personal: 'Personal data',
  inside: 'The inside of the house beyond the work',
  security: 'Safety of the house or of people',
  ordered: 'By order of a court or the office',
} as const;
export type RemovalReason = keyof typeof REMOVAL_REASONS;

/** A piece of a paper that can be taken out: a line of its head, a block, or a line of a block. */
export interface Place {
  /** `head.2`, `block.5`, or `block.5.1`. */
  readonly id: string;
  readonly says: string;
}

const REMOVED = '[removed]';

/** The lines of a block, where it has any that go singly. */
function linesOf(block: Block): readonly string[] {
  switch (block.kind) {
    case 'list':
    case 'steps':
      return block.items;
    case 'pairs':
      return block.rows.map(([name, value]) => `${name}: ${value}`);
    case 'table':
      return block.rows.map((row) => row.filter((cell) => cell !== '').join(', '));
    default:
      return [];
  }
}

const saysOf = (block: Block): string => {
  switch (block.kind) {
    case 'drawing':
      return block.says;
    case 'photo':
      return `Photo: ${block.caption}`;
    case 'label':
      return `${block.place}: ${block.words.join(' ')}`;
    case 'list':
    case 'steps':
    case 'pairs':
    case 'table':
    case 'ruler':
      return '';
    default:
      return block.text;
  }
};

/** Everything of a paper that can be taken out of a copy of it. */
export function placesOf({ head, blocks }: Paper): Place[] {
  return [
    ...head.map(([name, value], i) => ({ id: `head.${i}`, says: `${name}: ${value}` })),
    ...blocks.flatMap((block, i) => {
      const lines = linesOf(block);
      if (lines.length > 0) return lines.map((says, k) => ({ id: `block.${i}.${k}`, says }));
      return block.kind === 'heading' || saysOf(block) === '' ? [] : [{ id: `block.${i}`, says: saysOf(block) }];
    }),
  ];
}

/** A block without some of its lines; what stood there is nowhere in it any more. */
function without(block: Block, gone: (line: number) => boolean): Block {
  switch (block.kind) {
    case 'list':
    case 'steps':
      return { ...block, items: block.items.map((item, k) => (gone(k) ? REMOVED : item)) };
    case 'pairs':
      return { ...block, rows: block.rows.map((row, k) => (gone(k) ? ([row[0], REMOVED] as const) : row)) };
    case 'table':
      return {
        ...block,
        rows: block.rows.map((row, k) => (gone(k) ? row.map((_, c) => (c === 0 ? REMOVED : '')) : row)),
      };
    default:
      return block;
  }
}

/**
 * A copy of a paper that is built anew without some of what it says: nothing is painted over, and nothing of it is left in the
 * file. Each removal has its reason, and the copy says how many there are of each; the original stays as it is.
 */
export function redactedCopy(paper: Paper, removals: Readonly<Record<string, RemovalReason>>): Paper {
  const isGone = (id: string) => Object.hasOwn(removals, id);
  const counts = new Map<RemovalReason, number>();
  for (const reason of Object.values(removals)) counts.set(reason, (counts.get(reason) ?? 0) + 1);
  const list = [...counts].map(([reason, n]) => `${REMOVAL_REASONS[reason]}: ${n}`);
  return {
    ...paper,
    title: `${paper.title}, redacted copy`,
    head: paper.head.map(([name, value], i) =>
      isGone(`head.${i}`) ? ([name, REMOVED] as const) : ([name, value] as const),
    ),
    blocks: [
      ...paper.blocks.map((block, i): Block =>
        isGone(`block.${i}`) ? { kind: 'text', text: REMOVED } : without(block, (line) => isGone(`block.${i}.${line}`)),
      ),
      {
        kind: 'small',
        text: `Taken out of this copy: ${list.join('; ') || 'nothing'}. The original is kept whole by the office.`,
      },
    ],
  };
}

/** What goes from a copy for anybody: who owns the house and who works there, and every photo. */
export function usualRemovals(paper: Paper): Record<string, RemovalReason> {
  const names = ['Owner', 'Work by'];
  return Object.fromEntries([
    ...paper.head.flatMap(([name], i) => (names.includes(name) ? [[`head.${i}`, 'personal'] as const] : [])),
    ...paper.blocks.flatMap((block, i) => (block.kind === 'photo' ? [[`block.${i}`, 'inside'] as const] : [])),
  ]);
}
