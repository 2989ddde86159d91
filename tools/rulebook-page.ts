import { STATIONS, STATION_NAMES, factLabel, metaOf, type Case } from '@careful-latch/core/case';
import { EDITIONS, OFFICE_NUMBERS, READINGS, type ReadingName } from '@careful-latch/core/codebook';
import { RULES, type Rule } from '@careful-latch/core/rules';
import { judge } from '@careful-latch/core/verdict';
import { EXAMPLES, example, exampleWith } from '../core/test/examples';

/** The first example whose expected violations name a rule, with the case itself. */
function exampleOf(rule: Rule): { name: string; site: Case } {
  const name = EXAMPLES.find((one) => exampleWith(one).expect.violations.includes(rule.id));
  if (name === undefined) throw new Error(`no example violates ${rule.id}`);
  return { name, site: example(name) };
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
  const { name, site } = exampleOf(rule);
  const outcome = judge(rule, site);
  return [
    `### ${rule.id}`,
    rule.holds,
    `- Severity: ${SIGN[rule.severity]}${rule.weighs ? `; ${rule.weighs}` : ''}`,
    ...(rule.reading ? [`- Offices differ: ${READINGS[rule.reading].asks} ${waysOf(rule.reading)}`] : []),
    ...(rule.not ? [`- Does not look at: ${rule.not}`] : []),
    `- Sections: ${citations(rule)}`,
    `- Facts: ${rule.facts.map((path) => `${factLabel(path)} (${STATION_NAMES[path.split('.')[0] as keyof typeof STATION_NAMES]})`).join('; ')}`,
    `- Example [${name}](../examples/${name}.json): ${outcome.reason} Remedy: ${outcome.remedy}`,
  ]
    .join('\n\n')
    .replaceAll('\n\n- ', '\n- ');
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
