import {
  ACTS,
  CAPABILITIES,
  KINDS,
  ROLES,
  isOutside,
  whoMay,
  type Capability,
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

const people = (capability: Capability) => whoMay(capability).join(', ');

/** A kind’s moves, as its own file has them. */
function movesOf({ title, states, moves }: (typeof KINDS)[keyof typeof KINDS]): string {
  const name = (state: string) =>
    state === 'none' ? 'none yet' : (states as Readonly<Record<string, string>>)[state]!.toLowerCase();
  const rows = moves.map((one) => {
    const needs = one.needs.map(({ says }) => says).filter(Boolean);
    return [one.from.map(name).join(', '), name(one.to), people(one.may), needs.join('; ')];
  });
  return `## ${title}\n\n${table(['from', 'to', 'who', 'needs'], rows)}`;
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

${table(
  ['to be able to', 'who'],
  (Object.keys(CAPABILITIES) as Capability[]).map((one) => [CAPABILITIES[one], people(one)]),
)}

A role that is not in this table, and a change that is not on this page, can do nothing. A contractor is told of the houses that somebody of his firm opened or that the office has given them, and of no other firm’s. Whoever
is of the office is told of all its houses; of a self-check, once the firm has asked for an inspection. Nobody is told of another
office’s. Once the office has decided, a contractor only says what he has corrected, and shows it; a reader changes nothing.

## Routes

${table(['route', 'who', 'what'], routes)}

## What is done at a house

Those outside of the office do it at a house of their own, until they have asked the office for an inspection or the office has decided;
what is marked goes on after that.

${table(
  ['what', 'who', 'needs', 'after that'],
  Object.values(ACTS).map((one) => [
    one.elsewhere,
    people(one.may),
    one.says,
    one.outside && whoMay(one.may).some(isOutside) ? 'goes on' : '',
  ]),
)}

${Object.values(KINDS).map(movesOf).join('\n\n')}
`;
}
