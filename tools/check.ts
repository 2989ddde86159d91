/** npm run --silent check -- FILE|FOLDER|-… [options]; see USAGE. */
import { once } from 'node:events';
import { existsSync, readFileSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { createInterface } from 'node:readline';
import { parseArgs } from 'node:util';
import { parseCase, type Case, type Read } from '@careful-latch/core/case';
import { EDITIONS, isEdition, type Edition } from '@careful-latch/core/codebook';
import { Look, Missing, currentsOf } from '@careful-latch/core/electrical';
import { isExample, readExample } from '@careful-latch/core/formats';
import { functionTestAt } from '@careful-latch/core/interlock';
import { parseProfile, type Profile } from '@careful-latch/core/profile';
import { RULES, type Rule } from '@careful-latch/core/rules';
import { VERDICT_WORDS, evaluate, violationsOf, type Evaluation, type Outcome } from '@careful-latch/core/verdict';
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
  readonly edition: Edition | undefined;
  readonly profile: Profile | undefined;
  readonly rules: readonly Rule[] | undefined;
  readonly json: boolean;
  readonly functionTest: boolean;
  readonly currents: boolean;
}

type Checked = { file: string; site: Case; evaluation: Evaluation } | { file: string; errors: string[] };

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

/** A file as a whole case: as it is, or an example told by a sound house in the folder `bases` beside it. */
function readFile(file: string): Read {
  const text = textOf(file);
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return parseCase(text); // which says why it is no JSON
  }
  return isExample(data) ? readExample(data, (name) => baseBeside(file, name)) : parseCase(text);
}

function baseBeside(file: string, name: string): Read | undefined {
  const path = join(dirname(file), 'bases', `${name}.json`);
  return existsSync(path) ? parseCase(textOf(path)) : undefined;
}

const checked = (file: string, read: Read, options: Options): Checked =>
  read.ok ? { file, site: read.case, evaluation: evaluate(read.case, options) } : { file, errors: read.errors };

function checkFile(file: string, options: Options): Checked {
  try {
    return checked(file, readFile(file), options);
  } catch (error) {
    if (error instanceof Mistake) return { file, errors: [error.message.replace(`${file}: `, '')] };
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
  const { rule, outcome, severity, part, found, allowed, unit, needs, reason, cites, working, reading, remedy } = one;
  const own = { rule, outcome, severity, part, found, allowed, unit, needs, reason, cites, working, reading, remedy };
  return options.profile ? { ...own, changedBy: one.changedBy } : own;
}

type Answered = Extract<Checked, { evaluation: Evaluation }>;

const json = (one: Checked, options: Options) =>
  'errors' in one
    ? one
    : {
        file: one.file,
        format: 'careful-latch/outcomes',
        edition: one.evaluation.edition,
        engine: one.evaluation.engine,
        ...(options.profile ? { profile: options.profile.office } : {}),
        verdict: one.evaluation.verdict,
        ...(options.functionTest ? { functionTest: functionTestAt(one.site) } : {}),
        ...(options.currents ? { currents: currentsJson(one.site, one.evaluation.edition) } : {}),
        outcomes: one.evaluation.outcomes.map((outcome) => outcomeJson(outcome, options)),
      };

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

/** Cases on standard input, answered one by one as they come. */
async function stream(options: Options): Promise<number> {
  let code = 0;
  let line = 0;
  for await (const source of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    line++;
    if (source.trim() === '') continue;
    const one = checked(`line ${line}`, parseCase(source), options);
    complain(one);
    code = Math.max(code, codeOf(one));
    const said = options.json ? JSON.stringify(json(one, options)) : 'evaluation' in one && summary(one);
    if (said && !process.stdout.write(`${said}\n`)) await once(process.stdout, 'drain');
  }
  return code;
}

/** One case in one line: its verdict, and the rules violated. */
function summary({ file, evaluation }: Answered): string {
  const violated = violationsOf(evaluation).map((each) => each.rule);
  return `${file}  ${VERDICT_WORDS[evaluation.verdict]}${violated.length > 0 ? `: ${violated.join(', ')}` : ''}`;
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
    edition: values.edition,
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
