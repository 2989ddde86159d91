import {
  APPEAL_MOVES,
  APPEAL_STATES,
  CONDITION_MOVES,
  CONDITION_STATES,
  ORDER_MOVES,
  ORDER_STATES,
  PAPER_MOVES,
  PAPER_STATES,
  PERMIT_MOVES,
  PERMIT_STATES,
  ROLES,
  VIOLATION_MOVES,
  VIOLATION_STATES,
  VISIT_MOVES,
  VISIT_STATES,
  type Move,
  type Role,
} from '@careful-latch/core/record';
import { openApi } from '../server/openapi';

interface Operation {
  readonly summary: string;
  readonly security?: readonly { readonly session: readonly string[] }[];
}

const row = (...cells: readonly string[]) => `| ${cells.join(' | ')} |`;
const table = (head: readonly string[], rows: readonly string[][]) =>
  [row(...head), row(...head.map(() => '---')), ...rows.map((one) => row(...one))].join('\n');

const who = ({ security }: Operation): string =>
  security === undefined
    ? 'anybody'
    : security[0]!.session.includes('inspector')
      ? 'whoever inspects'
      : security[0]!.session.includes('lead')
        ? security[0]!.session.includes('firm-lead')
          ? 'the lead; of a firm its own lead'
          : 'the lead'
        : 'whoever is signed in';

function moves<S extends string>(all: readonly Move<S>[], words: Readonly<Record<S, string>>): string {
  const name = (state: S | 'none') => (state === 'none' ? 'none yet' : words[state].toLowerCase());
  return table(
    ['from', 'to', 'who', 'needs'],
    all.map((one) => [one.from.map(name).join(', '), name(one.to), one.who.join(', '), one.needs]),
  );
}

/** Who may do what, as Markdown: made from the description of the routes and from the tables of moves. */
export function whoPage(): string {
  const paths = openApi().paths as Record<string, Record<string, Operation>>;
  const routes = Object.entries(paths).flatMap(([path, operations]) =>
    Object.entries(operations).map(([method, one]) => [`${method.toUpperCase()} ${path}`, who(one), one.summary]),
  );
  return `# Who may do what

Made from the code by \`npm run docs\`; tests try every route as nobody, as every role, from another firm and from another office.

## Roles

${table(
  ['role', 'may'],
  (Object.keys(ROLES) as Role[]).map((one) => [one, ROLES[one].split(': ')[1]!]),
)}

A contractor is told of the houses that somebody of his firm opened or that the office has given them, and of no other firm’s. Whoever
is of the office is told of all its houses; of a self-check, once the firm has asked for an inspection. Nobody is told of another
office’s. Once the office has decided, a contractor only says what he has corrected, and shows it; a reader changes nothing.

## Routes

${table(['route', 'who', 'what'], routes)}

## Violations

${moves(VIOLATION_MOVES, VIOLATION_STATES)}

## Orders

${moves(ORDER_MOVES, ORDER_STATES)}

## Conditions

${moves(CONDITION_MOVES, CONDITION_STATES)}

## Visits

${moves(VISIT_MOVES, VISIT_STATES)}

## Decisions and certificates, once they are issued

${moves(PAPER_MOVES, PAPER_STATES)}

## Appeals

${moves(APPEAL_MOVES, APPEAL_STATES)}

## Permits

${moves(PERMIT_MOVES, PERMIT_STATES)}
`;
}
