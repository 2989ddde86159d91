import { STATIONS, STATION_NAMES, factLabel, metaOf, type Case } from '@careful-latch/core/case';
import { EDITIONS, OFFICE_NUMBERS, READINGS, type ReadingName } from '@careful-latch/core/codebook';
import { RULES, type Rule } from '@careful-latch/core/rules';
import { CONTRADICTIONS, type Contradiction } from '@careful-latch/core/contradictions';
import { judge } from '@careful-latch/core/verdict';
import { EXAMPLES, example, exampleWith } from '../core/test/examples';

/** The first example whose expected violations name a rule, with the case itself; undefined for a rule that is never violated. */
function exampleOf(rule: Rule): { name: string; site: Case } | undefined {
  const name = EXAMPLES.find((one) => exampleWith(one).expect.violations.includes(rule.id));
  return name === undefined ? undefined : { name, site: example(name) };
}

const SIGN = { hazard: 'hazard: do not energize', correction: 'correction', advisory: 'advisory' } as const;

function citations(rule: Rule): string {
  const texts = EDITIONS.map((edition) => rule.cites[edition].join(', '));
  return new Set(texts).size === 1 ? texts[0]! : EDITIONS.map((edition, i) => `${edition}: ${texts[i]}`).join(' · ');
}

const waysOf = (name: ReadingName): string =>
  Object.entries<string>(READINGS[name].ways)
    .map(([way, words]) => `\`${way}\`: ${words}${way === READINGS[name].usual ? ' (usual)' : ''}`)
    .join('; ');

function section(rule: Rule): string {
  const found = exampleOf(rule);
  const outcome = found && judge(rule, found.site);
  return [
    `### ${rule.id}`,
    rule.holds,
    `- Severity: ${SIGN[rule.severity]}${rule.weighs ? `; ${rule.weighs}` : ''}`,
    ...(rule.reading ? [`- Offices differ: ${READINGS[rule.reading].asks} ${waysOf(rule.reading)}`] : []),
    ...(rule.not ? [`- Does not look at: ${rule.not}`] : []),
    `- Sections: ${citations(rule)}`,
    `- Facts: ${factWords(rule.facts)}`,
    ...(outcome
      ? [`- Example [${found.name}](../examples/${found.name}.json): ${outcome.reason} Remedy: ${outcome.remedy}`]
      : ['- Never violated: it holds or is unproven.']),
  ]
    .join('\n\n')
    .replaceAll('\n\n- ', '\n- ');
}

const factWords = (keys: readonly string[]): string =>
  keys
    .map((path) => `${factLabel(path)} (${STATION_NAMES[path.split('.')[0] as keyof typeof STATION_NAMES]})`)
    .join('; ');

/** What is said of two records that cannot both be true. */
function contradiction({ id, says, look, doubts, given, ends }: Contradiction): string {
  return [
    `### ${id}`,
    `${says} ${look}`,
    [
      `- In doubt: ${factWords(doubts)}`,
      ...(given ? [`- Under: ${factWords(given)}`] : []),
      ...(ends ? [`- May be ended by: ${factWords([ends])}`] : []),
    ].join('\n'),
  ].join('\n\n');
}

/** docs/rulebook.md, made from the rules themselves. */
export function rulebookPage(): string {
  const numbers = Object.entries(OFFICE_NUMBERS).map(
    ([name, one]) => `| \`${name}\` | ${one.label} | ${one.value} ${one.unit} | ${one.min} to ${one.max} |`,
  );
  const facts = RULES.flatMap((rule) => rule.facts);
  const asked = [...new Set(facts)].filter((path) => metaOf(path).ask).length;
  return [
    '# The rulebook',
    `<!-- Made by npm run docs from the rules themselves; a test keeps it current. -->`,
    `${RULES.length} rules, which ask for ${asked} kinds of fact. Section numbers are those of the National Electrical Code (NFPA 70), editions ${EDITIONS.join(', ')}; wording is ours. \`listing\` means the listing and its instructions, \`guidance\` that no section stands behind it. The adopted code, the local office and licensed practice decide; this page approves nothing.`,
    ...STATIONS.flatMap((station) => {
      const own = RULES.filter((rule) => rule.station === station);
      return own.length > 0 ? [`## ${STATION_NAMES[station]}`, ...own.map(section)] : [];
    }),
    '## Records that cannot both be true',
    'While two such records stand, whatever holds or does not apply by one of them is unproven, both are asked for again, and nothing can be approved. It is never a violation by itself: nobody knows yet which of them is wrong.',
    ...CONTRADICTIONS.map(contradiction),
    '## Readings that a local profile may choose',
    [
      '| Name | Question | Ways |',
      '| --- | --- | --- |',
      ...Object.entries(READINGS).map(
        ([name, { asks }]) => `| \`${name}\` | ${asks} | ${waysOf(name as ReadingName)} |`,
      ),
    ].join('\n'),
    '## Numbers that a local profile may change',
    ['| Name | What | Usual | Bounds |', '| --- | --- | --- | --- |', ...numbers].join('\n'),
  ]
    .join('\n\n')
    .concat('\n');
}
