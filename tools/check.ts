/** npm run --silent check -- FILE|FOLDER|-… [options]; see USAGE. */
import { once } from 'node:events';
import { fstatSync, readFileSync, readSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { setFlagsFromString } from 'node:v8';
import { caseReader, parseCase, type Case, type Read } from '@careful-latch/core/case';
import { EDITIONS, isEdition, type Edition } from '@careful-latch/core/codebook';
import { Look, Missing, currentsOf } from '@careful-latch/core/electrical';
import { functionTestAt } from '@careful-latch/core/interlock';
import { parseProfile, type Profile } from '@careful-latch/core/profile';
import { RULES, type Rule } from '@careful-latch/core/rules';
import { VERDICT_WORDS, evaluator, type Evaluated, type Outcome } from '@careful-latch/core/verdict';
import { currentsText, evaluationText, functionTestText, outcomeText, ruleOf, ruleText } from './check-text';

const USAGE = `usage: npm run --silent check -- FILE|FOLDER|-… [options]
  -                      cases on standard input, one a line (NDJSON)
  --edition YEAR         ${EDITIONS.join(', ')}; else the profile's, else the case's own
  --profile FILE         a local profile
  --rule ID              these rules alone, with their whole working; may be given several times
  --explain ID           what a rule demands, without a case
  --function-test        the moves to try at the panel
  --currents             what the circuit network answers
  --json                 for programs
Exit code: 0 nothing against, 1 not finished or violated, 2 unreadable.`;

interface Options {
  readonly profile: Profile | undefined;
  readonly rules: readonly Rule[] | undefined;
  readonly evaluate: ReturnType<typeof evaluator>;
  readonly json: boolean;
  readonly functionTest: boolean;
  readonly currents: boolean;
}

type Checked = { file: string; site: Case; evaluation: Evaluated } | { file: string; errors: string[] };

/** A mistake of whoever typed the command; its message is a sentence. */
class Mistake extends Error {}

const WHY: Readonly<Record<string, string>> = {
  ENOENT: 'there is no such file',
  EACCES: 'reading it is not permitted',
};

function textOf(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code ?? '';
    throw new Mistake(`${file}: ${WHY[code] ?? `it cannot be read (${code})`}`);
  }
}

/** The case files that a name stands for: itself, or every .json file of a folder and its folders, in order. */
function filesOf(name: string): string[] {
  if (!statSync(name, { throwIfNoEntry: false })?.isDirectory()) return [name];
  const found = readdirSync(name, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.json'))
    .sort()
    .map((file) => join(name, file));
  if (found.length === 0) throw new Mistake(`${name}: no .json file in this folder`);
  return found;
}

const checked = (file: string, read: Read, { evaluate }: Options): Checked =>
  read.ok ? { file, site: read.case, evaluation: evaluate(read.facts) } : { file, errors: read.errors };

function checkFile(file: string, options: Options): Checked {
  try {
    return checked(file, parseCase(textOf(file)), options);
  } catch (error) {
    if (error instanceof Mistake) return { file, errors: [error.message.slice(file.length + 2)] };
    throw error;
  }
}

function currentsJson(site: Case, edition: Edition) {
  try {
    return currentsOf(new Look(site, edition));
  } catch (error) {
    if (error instanceof Missing) return { needs: error.paths };
    throw error;
  }
}

/** An outcome as programs get it. */
function outcomeJson(one: Outcome, options: Options) {
  const { rule, outcome, severity, found, allowed, unit, needs, reason, cites, working, remedy, changedBy } = one;
  const own = { rule, outcome, severity, found, allowed, unit, needs, reason, cites, working, remedy };
  return options.profile ? { ...own, changedBy } : own;
}

type Answered = Extract<Checked, { evaluation: Evaluated }>;

/** What programs get, but for the outcomes. */
function headJson({ file, site, evaluation }: Answered, options: Options) {
  return {
    file,
    format: 'careful-latch/outcomes',
    edition: evaluation.edition,
    engine: evaluation.engine,
    ...(options.profile ? { profile: options.profile.office } : {}),
    verdict: evaluation.verdict,
    ...(options.functionTest ? { functionTest: functionTestAt(site) } : {}),
    ...(options.currents ? { currents: currentsJson(site, evaluation.edition) } : {}),
  };
}

const json = (one: Checked, options: Options) =>
  'errors' in one
    ? one
    : {
        ...headJson(one, options),
        outcomes: one.evaluation.outcomes.map((outcome) => outcomeJson(outcome, options)),
      };

const outcomeLines = new WeakMap<Outcome, string>();

/** The same as one line of text; an outcome remembered from another case is written out once. */
function jsonLine(one: Checked, options: Options): string {
  if ('errors' in one) return JSON.stringify(one);
  const outcomes = one.evaluation.outcomes.map((outcome) => {
    let line = outcomeLines.get(outcome);
    if (line === undefined) outcomeLines.set(outcome, (line = JSON.stringify(outcomeJson(outcome, options))));
    return line;
  });
  return `${JSON.stringify(headJson(one, options)).slice(0, -1)},"outcomes":[${outcomes.join(',')}]}`;
}

function text(one: Answered, options: Options): string {
  const blocks = [
    options.rules
      ? [one.file, ...one.evaluation.outcomes.map(outcomeText)].join('\n')
      : evaluationText(one.file, one.evaluation),
  ];
  if (options.functionTest) blocks.push(functionTestText(one.site));
  if (options.currents) blocks.push(currentsText(one.site, one.evaluation.edition));
  return `${blocks.join('\n\n')}\n`;
}

const complain = (one: Checked) => {
  if ('errors' in one) for (const error of one.errors) console.error(`${one.file}: ${error}`);
};
const codeOf = (one: Checked) => ('errors' in one ? 2 : one.evaluation.verdict === 'nothing-against' ? 0 : 1);

const PIECE_BYTES = 2 ** 20;

/** A file on standard input, in pieces larger than process.stdin gives, without a turn of the event loop for each. */
function* piecesOfFile(): Generator<Buffer> {
  for (;;) {
    const piece = Buffer.allocUnsafe(PIECE_BYTES);
    const bytes = readSync(0, piece);
    if (bytes === 0) return;
    yield piece.subarray(0, bytes);
  }
}

/** Lines of standard input as they come; what follows the last line break is a line too. Text is made of each line by itself, for one far letter would make all of a piece twice as large. */
async function* linesOfInput(): AsyncGenerator<string[]> {
  let rest: Buffer = Buffer.alloc(0);
  // A pipe or terminal may have nothing yet: what they have is taken as it comes.
  const input = fstatSync(0).isFile() ? piecesOfFile() : (process.stdin as AsyncIterable<Buffer>);
  for await (const chunk of input) {
    const bytes = rest.length > 0 ? Buffer.concat([rest, chunk]) : chunk;
    const lines: string[] = [];
    let from = 0;
    for (let to = bytes.indexOf('\n'); to >= 0; to = bytes.indexOf('\n', from)) {
      lines.push(bytes.toString('utf8', from, to));
      from = to + 1;
    }
    rest = bytes.subarray(from);
    yield lines;
  }
  yield [rest.toString('utf8')];
}

/** Of a core’s first seconds the compiler would take a third, to make fast what hardly runs: it waits longer, and makes less of each. */
const COMPILE_LESS = ['--interrupt-budget=300000', '--max-inlined-bytecode-size-cumulative=200'];

/** Cases on standard input, answered one by one as they come. */
async function stream(options: Options): Promise<number> {
  COMPILE_LESS.forEach((flag) => setFlagsFromString(flag));
  let code = 0;
  let line = 0;
  const read = caseReader();
  for await (const lines of linesOfInput()) {
    let out = '';
    for (const source of lines) {
      line++;
      if (source.trim() === '') continue;
      const found = read(source);
      const one = checked(`line ${line}`, found, options);
      complain(one);
      code = Math.max(code, codeOf(one));
      if (options.json) out += `${jsonLine(one, options)}\n`;
      else if ('evaluation' in one) {
        const violated = one.evaluation.violations.map((each) => each.rule);
        out += `${one.file}  ${VERDICT_WORDS[one.evaluation.verdict]}${violated.length > 0 ? `: ${violated.join(', ')}` : ''}\n`;
      }
    }
    if (!process.stdout.write(out)) await once(process.stdout, 'drain');
  }
  return code;
}

function ruleNamed(id: string): Rule {
  const rule = ruleOf(id);
  if (rule) return rule;
  const station = id.split('/')[0];
  const near = RULES.filter((one) => one.station === station).map((one) => one.id);
  throw new Mistake(
    `${id} is no rule; ${near.length > 0 ? `rules of this station: ${near.join(', ')}` : 'see docs/rulebook.md'}`,
  );
}

function profileOf(file: string): Profile {
  const result = parseProfile(textOf(file));
  if (!result.ok) throw new Mistake(result.errors.map((error) => `${file}: ${error}`).join('\n'));
  return result.profile;
}

async function main(): Promise<number> {
  let args;
  try {
    args = parseArgs({
      allowPositionals: true,
      options: {
        json: { type: 'boolean', default: false },
        edition: { type: 'string' },
        profile: { type: 'string' },
        rule: { type: 'string', multiple: true },
        explain: { type: 'string' },
        'function-test': { type: 'boolean', default: false },
        currents: { type: 'boolean', default: false },
        help: { type: 'boolean' },
      },
    });
  } catch (error) {
    throw new Mistake(`${(error as Error).message}\n${USAGE}`);
  }
  const { values, positionals } = args;
  if (values.help) {
    console.log(USAGE);
    return 0;
  }
  if (values.edition !== undefined && !isEdition(values.edition))
    throw new Mistake(`--edition ${values.edition}: right would be one of ${EDITIONS.join(', ')}`);
  if (values.explain !== undefined) {
    console.log(ruleText(ruleNamed(values.explain)));
    if (positionals.length === 0) return 0;
  }
  if (positionals.length === 0) throw new Mistake(`No file was named.\n${USAGE}`);
  const profile = values.profile === undefined ? undefined : profileOf(values.profile);
  const rules = values.rule?.map(ruleNamed);
  const options: Options = {
    profile,
    rules,
    evaluate: evaluator({ edition: values.edition, profile, rules }),
    json: values.json,
    functionTest: values['function-test'],
    currents: values.currents,
  };
  if (positionals.includes('-')) {
    if (positionals.length > 1) throw new Mistake('- (standard input) stands alone; name files in another run.');
    return stream(options);
  }
  const all = positionals.flatMap(filesOf).map((file) => checkFile(file, options));
  all.forEach(complain);
  if (options.json)
    console.log(
      JSON.stringify(
        all.map((one) => json(one, options)),
        null,
        2,
      ),
    );
  else for (const one of all) if ('evaluation' in one) console.log(text(one, options));
  return Math.max(...all.map(codeOf));
}

main().then(
  (code) => (process.exitCode = code),
  (error: unknown) => {
    if (!(error instanceof Mistake)) throw error;
    console.error(error.message);
    process.exitCode = 2;
  },
);
