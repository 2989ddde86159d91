import type { FactPath, Station } from '../case';
import { everyEdition } from '../codebook';
import { Missing } from '../electrical';
import type { Rule, Severity } from '../rules';
import { holds, violation } from '../rules/rule';
import type { Profile } from './profile';

/** Rules that a profile brings of its own. */
export const LOCAL = 'local/';

/** A profile’s own item as a rule: one answer is right. Its answer is no fact of the catalogue and stands in no working. */
function localRule(
  id: string,
  severity: Severity,
  cite: string,
  right: string,
  words: { good: string; bad: string; remedy: string },
  station: Station = 'panel',
): Rule {
  const path = `local.${id}`;
  return {
    id: `${LOCAL}${id}` as Rule['id'],
    station,
    holds: words.good,
    severity,
    cites: everyEdition(cite),
    facts: [path],
    check: (look) => {
      const answer: unknown = look.peek(path as FactPath);
      if (answer === undefined) throw new Missing([path]);
      return answer === right ? holds(words.good) : violation(words.bad, words.remedy);
    },
  };
}

/** The office’s own items, and who may install, as rules beside ours. */
export function rulesOf(profile: Profile): Rule[] {
  const installer = localRule('installer', 'correction', 'local profile', 'licensed', {
    good: 'A licensed person did the work.',
    bad: 'The work was not done by a licensed person.',
    remedy: 'Have a licensed person take the work over, under a permit of their own.',
  });
  const items = profile.checklist.map((item) =>
    localRule(
      item.id,
      item.severity,
      item.cite,
      'yes',
      {
        good: `Yes: ${item.ask}`,
        bad: `No: ${item.ask}`,
        remedy: `Put it right: ${item.ask}`,
      },
      item.station,
    ),
  );
  return profile.readings.installer === 'licensed' ? [installer, ...items] : items;
}
