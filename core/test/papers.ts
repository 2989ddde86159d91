import type { Inspection } from '../record';
import { sourceOfInspection, type PaperSource } from '../papers';
import { example } from './examples';
import { LEAD, after, decided, inspection } from './inspection';

/** What papers are made from, of an inspection whose last decision the office has sealed. */
export const sourceFrom = (one: Inspection): PaperSource => ({
  ...sourceOfInspection(one, one.decisions.at(-1)!, LEAD.name, 'Windfall Township Building Office', 'America/New_York'),
  sealed: { number: '2026-0012', seal: 'ab'.repeat(32), checkAt: 'https://office.example/papers/x' },
});

export const GOOD_SOURCE = sourceFrom(after(inspection(), decided()));
export const CORD_ONLY = sourceFrom(after(inspection({ case: example('ok-cords-only') }), decided()));
