import { readFileSync } from 'node:fs';
import { parseCase } from '../case';
import type { Inspection } from '../record';
import type { PaperSource } from '../papers';
import { evaluate } from '../verdict';
import { LEAD, after, decided, inspection } from './inspection';

/** What papers are made from, of an inspection whose last decision the office has sealed. */
export function sourceFrom(one: Inspection): PaperSource {
  const { id, header, case: site, evidence, docket, decisions } = one;
  return {
    inspection: id,
    header,
    case: site,
    evaluation: evaluate(site),
    evidence,
    docket,
    decision: decisions.at(-1)!,
    signedBy: LEAD.name,
    office: 'Windfall Township Building Office',
    sealed: { number: '2026-0012', seal: 'ab'.repeat(32), checkAt: 'https://office.example/papers/x' },
  };
}

function example(name: string) {
  const read = parseCase(readFileSync(new URL(`../../examples/${name}.json`, import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(read.errors.join(' '));
  return read.case;
}
export const GOOD_SOURCE = sourceFrom(after(inspection(), decided()));
export const CORD_ONLY = sourceFrom(after(inspection({ case: example('ok-cords-only') }), decided()));
