/** npm run --silent check -- FILE… [--edition 2017|2020|2023] [--json] */
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { EDITIONS, isEdition, type Edition } from '@careful-latch/core/codebook';
import { parseCase, metaOf, STATION_NAMES, stationOf } from '@careful-latch/core/case';
import { evaluate, VERDICT_WORDS, type Evaluation, type Outcome } from '@careful-latch/core/verdict';

const USAGE = `usage: npm run --silent check -- FILE… [--edition ${EDITIONS.join('|')}] [--json]`;

type Checked = { file: string; evaluation: Evaluation } | { file: string; errors: string[] };

function checkFile(file: string, edition: Edition | undefined): Checked {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code;
    const why = { ENOENT: 'there is no such file', EISDIR: 'this is a folder', EACCES: 'reading it is not permitted' }[
      code ?? ''
    ];
    return { file, errors: [why ?? `it cannot be read (${code})`] };
  }
  const read = parseCase(text);
  return read.ok ? { file, evaluation: evaluate(read.case, { edition }) } : { file, errors: read.errors };
}

function wrap(text: string, indent: string): string {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(' ')) {
    if (line && indent.length + line.length + word.length > 96) {
      lines.push(line);
      line = word;
    } else line = line ? `${line} ${word}` : word;
  }
  return [...lines, line].map((one) => indent + one).join('\n');
}

function violationText(one: Outcome): string {
  const steps = one.working.map(
    (step) => `      ${step.label}: ${step.value}${step.unit && ` ${step.unit}`} (${step.source})`,
  );
  return [
    `  ${one.severity.toUpperCase()}  ${one.rule}  [${one.cites.join(', ')}]`,
    wrap(one.reason, '    '),
    ...(steps.length > 0 ? ['    working', ...steps] : []),
    wrap(`remedy: ${one.remedy}`, '    '),
  ].join('\n');
}

function text({ file, evaluation }: { file: string; evaluation: Evaluation }): string {
  const of = (kind: Outcome['outcome']) => evaluation.outcomes.filter((one) => one.outcome === kind);
  const violations = of('violation');
  const facts = [...new Set(of('unproven').flatMap((one) => one.needs))];
  const blocks = [
    `${file}\n${VERDICT_WORDS[evaluation.verdict].toUpperCase()}  (edition ${evaluation.edition}, engine ${evaluation.engine})`,
  ];
  if (violations.length > 0) blocks.push(`Violations: ${violations.length}`, ...violations.map(violationText));
  if (facts.length > 0)
    blocks.push(
      `Unproven: ${of('unproven').length}. To be found out:`,
      facts
        .map((path) => `  ${STATION_NAMES[stationOf(path)]}: ${metaOf(path).label} (${path})\n    ${metaOf(path).ask}`)
        .join('\n'),
    );
  blocks.push(
    `Holds: ${of('holds').length}. Does not apply: ${of('not-applicable').length}.`,
    'The adopted code, the local office and a licensed person decide; this program approves nothing.',
  );
  return blocks.join('\n\n');
}

const json = (one: Checked) =>
  'errors' in one
    ? one
    : {
        file: one.file,
        format: 'careful-latch/outcomes',
        edition: one.evaluation.edition,
        engine: one.evaluation.engine,
        verdict: one.evaluation.verdict,
        outcomes: one.evaluation.outcomes.map((outcome) => {
          const { station: _, ...rest } = JSON.parse(JSON.stringify(outcome)) as Outcome;
          return rest;
        }),
      };

function main(): number {
  let args;
  try {
    args = parseArgs({
      allowPositionals: true,
      options: { json: { type: 'boolean' }, edition: { type: 'string' }, help: { type: 'boolean' } },
    });
  } catch (error) {
    console.error(`${(error as Error).message}\n${USAGE}`);
    return 2;
  }
  const { values, positionals: files } = args;
  if (values.help) {
    console.log(USAGE);
    return 0;
  }
  if (values.edition !== undefined && !isEdition(values.edition)) {
    console.error(`--edition ${values.edition}: right would be one of ${EDITIONS.join(', ')}`);
    return 2;
  }
  if (files.length === 0) {
    console.error(`No file was named.\n${USAGE}`);
    return 2;
  }
  const edition = values.edition;
  const checked = files.map((file) => checkFile(file, edition));
  for (const one of checked)
    if ('errors' in one) for (const error of one.errors) console.error(`${one.file}: ${error}`);
  if (values.json) console.log(JSON.stringify(checked.map(json), null, 2));
  else for (const one of checked) if ('evaluation' in one) console.log(`${text(one)}\n`);
  if (checked.some((one) => 'errors' in one)) return 2;
  return checked.every((one) => 'evaluation' in one && one.evaluation.verdict === 'nothing-against') ? 0 : 1;
}

process.exitCode = main();
