import { factAt, parseCase, recordedFacts, type Case } from '@careful-latch/core/case';
import type { ChangeBody } from '@careful-latch/core/record';

const MOST_NAMED = 5;

/** A case file, read whole; throws an Error with what is wrong, place by place. */
export function readGiven(name: string, text: string): Case {
  const read = parseCase(text);
  if (read.ok) return read.case;
  const more = read.errors.length - MOST_NAMED;
  throw new Error(
    `${name} is no case file that can be read, and nothing of it was taken: ${read.errors.slice(0, MOST_NAMED).join('; ')}${more > 0 ? `; and ${more} more` : ''}.`,
  );
}

/** What is recorded in a case, as one change to an inspection: neither touched nor seen, and said so. */
export function factsOf(inspection: string, c: Case): ChangeBody | undefined {
  const facts = recordedFacts(c).map((path) => ({
    path,
    value: factAt(c, path) as string | number,
    how: 'table' as const,
  }));
  return facts.length > 0 ? { type: 'facts', inspection, facts } : undefined;
}
