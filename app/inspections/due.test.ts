import type { Due } from '@careful-latch/core/record';
import { dueWords } from './due';

test.each<[Due['what'], string, string]>([
  ['reinspection', '2026-11-24', 'reinspection was due Nov\u00a024'],
  ['violation', '2026-11-25', 'correction due today'],
  ['visit', '2026-11-25', 'visit today'],
  ['condition', '2026-12-01', 'condition due Dec\u00a01'],
])('%s on %s reads: %s', (what, day, words) => expect(dueWords({ day, what }, '2026-11-25')).toBe(words));
