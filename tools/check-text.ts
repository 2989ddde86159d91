/** What `npm run check` prints for people. */
import { NOT_SEEN, STATION_NAMES, absence, metaOf, stationOf, type Case } from '@careful-latch/core/case';
import { EDITIONS, type Edition } from '@careful-latch/core/codebook';
import { ASSUMED, Look, Missing, currentsOf, rounded, type Currents, type Step } from '@careful-latch/core/electrical';
import { functionTestAt } from '@careful-latch/core/interlock';
import { RULES, type Rule } from '@careful-latch/core/rules';
import { VERDICT_WORDS, type Evaluation, type Outcome } from '@careful-latch/core/verdict';

const WIDTH = 96;

function wrap(text: string, indent: string): string {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(' ')) {
    if (line && indent.length + line.length + word.length > WIDTH) {
      lines.push(line);
      line = word;
    } else line = line ? `${line} ${word}` : word;
  }
  return [...lines, line].map((one) => indent + one).join('\n');
}

const stepText = (step: Step) => `      ${step.label}: ${step.value}${step.unit && ` ${step.unit}`} (${step.source})`;

function violationText(one: Outcome): string {
  const steps = one.working.map(stepText);
  return [
    `  ${one.severity.toUpperCase()}  ${one.rule}  [${one.cites.join(', ')}]`,
    wrap(one.reason, '    '),
    ...(steps.length > 0 ? ['    working', ...steps] : []),
    wrap(`remedy: ${one.remedy}`, '    '),
    ...(one.changedBy ? [wrap(`changed by ${one.changedBy}`, '    ')] : []),
  ].join('\n');
}

const CAUTION = 'The adopted code, the local office and a licensed person decide; this program approves nothing.';

/** A whole evaluation: verdict, violations with working and remedy, what is unproven, what the office changed. */
export function evaluationText(name: string, evaluation: Evaluation): string {
  const of = (kind: Outcome['outcome']) => evaluation.outcomes.filter((one) => one.outcome === kind);
  const violations = of('violation');
  const facts = [...new Set(of('unproven').flatMap((one) => one.needs))];
  const blocks = [
    `${name}\n${VERDICT_WORDS[evaluation.verdict].toUpperCase()}  (edition ${evaluation.edition}, engine ${evaluation.engine})`,
  ];
  if (violations.length > 0) blocks.push(`Violations: ${violations.length}`, ...violations.map(violationText));
  if (facts.length > 0)
    blocks.push(
      `Unproven: ${of('unproven').length}. To be found out:`,
      facts
        .map((path) => `  ${STATION_NAMES[stationOf(path)]}: ${metaOf(path).label} (${path})\n    ${metaOf(path).ask}`)
        .join('\n'),
    );
  const off = of('not-applicable').filter((one) => one.changedBy);
  if (off.length > 0)
    blocks.push(`Switched off by the office:\n${off.map((one) => `  ${one.rule}: ${one.changedBy}`).join('\n')}`);
  blocks.push(`Holds: ${of('holds').length}. Does not apply: ${of('not-applicable').length}.`, CAUTION);
  return blocks.join('\n\n');
}

/** A rule, without a case: what it demands, where that stands, and what it asks for. */
export function ruleText(rule: Rule): string {
  const cites = (edition: Edition) => `  ${edition}: ${rule.cites[edition].join(', ')}`;
  return [
    `${rule.id}  (${rule.severity})`,
    wrap(rule.holds, '  '),
    'Sections',
    ...EDITIONS.map(cites),
    'Facts',
    ...rule.facts.map(
      (path) => `  ${STATION_NAMES[stationOf(path)]}: ${metaOf(path).label} (${path})\n    ${metaOf(path).ask}`,
    ),
  ].join('\n');
}

/** Every outcome of one rule on one case, with its whole working. */
export function outcomeText(one: Outcome): string {
  return [
    `  ${one.outcome.toUpperCase()}  ${one.rule}  [${one.cites.join(', ')}]`,
    wrap(one.reason, '    '),
    ...one.working.map(stepText),
    ...one.needs.map((path) =>
      wrap(`needed: ${STATION_NAMES[stationOf(path)]}, ${metaOf(path).label}: ${metaOf(path).ask}`, '    '),
    ),
    ...(one.remedy ? [wrap(`remedy: ${one.remedy}`, '    ')] : []),
    ...(one.changedBy ? [wrap(`changed by ${one.changedBy}`, '    ')] : []),
  ].join('\n');
}

/** The list of moves to try at this panel, made from the mechanism's model. */
export function functionTestText(site: Case): string {
  const kind = site.transfer?.kind;
  const absent = kind && kind !== NOT_SEEN && absence('inlet', kind);
  if (absent) return `Function test: no moves to try; ${absent}.`;
  const trials = functionTestAt(site);
  if (trials.length === 0)
    return 'Function test: not known yet how the transfer equipment keeps the sources apart (transfer.kind, transfer.mechanism).';
  return [
    'Function test. Source unplugged and dead until the last step; stand clear of open live parts.',
    ...trials.map((trial, i) => `  ${i + 1}. ${trial.given}: ${trial.attempt}. It must ${trial.must}. (${trial.fact})`),
  ].join('\n');
}

/** What the circuit network answers for a case, with what it had to assume. */
export function currentsText(site: Case, edition?: Edition): string {
  let answers: Currents;
  try {
    answers = currentsOf(new Look(site, edition));
  } catch (error) {
    if (!(error instanceof Missing)) throw error;
    return `Network: not solved; lacking ${error.paths.join(', ')}.`;
  }
  const line = (label: string, value: number | string, unit = '') =>
    `  ${label}: ${typeof value === 'number' ? rounded(value) : value}${unit && ` ${unit}`}`;
  return [
    'Network, with 1440 W on leg A alone:',
    line('out on leg A', answers.legA, 'A'),
    line('back on the neutral', answers.neutralA, 'A'),
    line('back on the equipment ground', answers.groundA, 'A'),
    line('on the ground inside the house, by a second bond', answers.houseGroundA, 'A'),
    line('at the load', answers.loadV, 'V'),
    line('frame against the house’s ground', answers.frameV, 'V'),
    line('service conductors, utility dead, source at work', answers.serviceV, 'V'),
    line('inlet pins, utility live, nothing plugged in', answers.pinsV, 'V'),
    line('dead fault from leg A to ground', answers.faultA, 'A'),
    line('the source’s breaker opens on it', answers.breakerOpens ? 'yes' : 'no'),
    line('frame while leg A touches it', answers.frameFaultV, 'V'),
    `  assumed: ${ASSUMED.electrodeOhm} Ω for each electrode, ${ASSUMED.utilityOhm} Ω for each half of the service, ${ASSUMED.shortCircuitTimes} times its rated current from the source into a short, a breaker opens from ${ASSUMED.opensAtTimes} times its rating on`,
  ].join('\n');
}

/** The rule of an id; undefined if there is none. */
export const ruleOf = (id: string): Rule | undefined => RULES.find((rule) => rule.id === id);
