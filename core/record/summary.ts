import { isOpen } from './kinds/violation';
import { visitAhead } from './kinds/visit';
import { dueAt, isToVisit, type Due } from './reinspection';
import { isApproval, stateOf, type Inspection, type State } from './inspection';

/** What the office’s lists show, sort and look for, without the inspection itself. */
export interface Summary {
  readonly state: State;
  readonly dueOn: string | null;
  readonly dueWhat: Due['what'] | null;
  /** The street first, then the number: houses of one street stand together, in their order. */
  readonly street: string;
  /** Who goes there next, else who signed last. */
  readonly inspector: string | null;
  /** Rules of the violations that are open, each once. */
  readonly violated: readonly string[];
  /** From this day on nobody needs it at hand, if nothing is changed before: devices are told to let it go. Null: never. */
  readonly restsOn: string | null;
}

/** So long something finished stays on the devices of an office, and something that was begun and left. */
const FINISHED_DAYS = 30;
const LEFT_DAYS = 180;

/** The street of an address, then its number in eight digits: `12 Orchard Loop` is `orchard loop 00000012`. */
export function streetOf(address: string): string {
  const [, number, street] = /^\s*(\d{1,8})\S*\s+(.+)$/.exec(address) ?? [undefined, '0', address];
  return `${street!.trim().toLowerCase()} ${number!.padStart(8, '0')}`;
}

function restsOn(inspection: Inspection): string | null {
  const last = inspection.decisions.at(-1);
  if (isToVisit(inspection) || dueAt(inspection)) return null; // something is still to be done there
  const days = last && isApproval(last.kind) && stateOf(inspection) === last.kind ? FINISHED_DAYS : LEFT_DAYS;
  const from = Date.parse(inspection.changedAt);
  return new Date(from + days * 86_400_000).toISOString().slice(0, 10);
}

/** What a list says of an inspection. */
export function summaryOf(inspection: Inspection): Summary {
  const { docket, decisions, header } = inspection;
  const due = dueAt(inspection);
  const rules = docket.violations.filter(isOpen).flatMap(({ findings }) => findings.map(({ rule }) => rule));
  return {
    state: stateOf(inspection),
    dueOn: due?.day ?? null,
    dueWhat: due?.what ?? null,
    street: streetOf(header.address),
    inspector: visitAhead(docket)?.inspector || decisions.at(-1)?.signature?.name || null,
    violated: [...new Set(rules)].sort(),
    restsOn: restsOn(inspection),
  };
}
