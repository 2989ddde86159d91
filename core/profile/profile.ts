import { ValidationError, array, mixed, number, object, string } from 'yup';
import { STATIONS, quoted, type Station } from '../case';
import {
  EDITIONS,
  OFFICE_NUMBERS,
  READINGS,
  type Edition,
  type OfficeNumberName,
  type OfficeNumbers,
  type ReadingName,
  type Readings,
} from '../codebook';
import { RULES, type Severity } from '../rules';
import { BY_PHOTO, mayBeByPhoto } from '../rules/by-photo';

export const PROFILE_FORMAT = 'careful-latch/profile';
const SEVERITIES = ['hazard', 'correction', 'advisory'] as const satisfies readonly Severity[];
const INSTALLERS = ['licensed', 'owner-with-permit'] as const;
const PROFILE_VERSION = 2;

/** What an office changes of one rule. */
export interface RuleChange {
  readonly off?: boolean;
  readonly severity?: Severity;
  /** Whether a photo settles a violation of it from the desk. */
  readonly byPhoto?: boolean;
  /** Section numbers in place of ours, for an office on another edition or with an ordinance of its own. */
  readonly cites?: readonly string[];
  /** Why, in the office’s words. */
  readonly reason: string;
}

/**
 * Hazards that no office can switch off or make weaker, for they cannot be approved anywhere: sources joined, an outlet fed,
 * blades or pins live, no way for a fault current, a second way for the neutral's, an open neutral, exhaust indoors or at the
 * house. It may add to them, and cite what it likes.
 */
const PROTECTED: readonly string[] = [
  'transfer/present', 'transfer/no-outlet-backfeed', 'transfer/prevents-parallel', 'transfer/240v-circuits-paired', 'transfer/unaltered',
  'panel/one-main', 'panel/other-sources', 'cord/no-double-plug', 'cord/no-tied-hots', 'inlet/is-male-inlet', 'inlet/pins-dead-when-open',
  'breaker/held-down', 'breaker/both-legs', 'breaker/suitable-for-backfeed',
  'function/dead-pins', 'function/neutral-unbroken', 'grounding/path-continuous', 'grounding/fault-opens-device', 'grounding/rod-not-only-path', 'panel/main-bonding-jumper',
  'neutral/matrix', 'neutral/one-bond', 'neutral/none-on-ground', 'loads/shared-neutral-on-two-legs', 'source/bridged-120v-no-shared-neutral',
  'inlet/one-inlet', 'panel/dead-with-main-off', 'source/not-charging-while-feeding',
  'siting/outdoors', 'siting/exhaust-away', 'siting/clear-of-openings', 'siting/rain-shelter', 'panel/main-held-down', 'transfer/panel-behind-is-subpanel',
]; // prettier-ignore

/** Hazards that an office may read otherwise, each with the reason. */
export const OFFICE_MAY_READ: Readonly<Record<string, string>> = {
  'source/device-within-face': 'an office may take a maker’s own listing of breaker and receptacle together',
  'cord/ampacity': 'an office may take a listed set by its listing, above the table',
  'inlet/rated-for-source-outlet': 'an office may take a listed inlet by its instructions',
  'feeder/ampacity': 'engineering supervision may give another ampacity (310.14(B))',
  'feeder/small-conductor': 'an office may permit a device above 240.4(D) under 240.4(E) or (G)',
  'feeder/neutral-full-size-when-bridged': 'an office may take a load that is limited by other means',
  'breaker/not-above-weakest-link': 'it rests on the ratings above, which are the office’s to read',
  'loads/shared-neutral-within-rating': 'it goes by what is planned, and an office may lock loads out',
  'transfer/shared-neutral-moved-together': 'an office may take two circuits that a listed switch keeps apart',
  'transfer/automatic-capacity': 'an office may take load that is managed by a plan',
};
export const isProtected = (rule: string): boolean => PROTECTED.includes(rule);

const MAY_BE_BY_PHOTO: readonly string[] = RULES.filter(mayBeByPhoto).map(({ id }) => id);
/** Whether an office may say that a photo settles a rule. */
export const maySettleByPhoto = (rule: string): boolean => MAY_BE_BY_PHOTO.includes(rule);
/** Whether a photo settles a rule, by the office’s word, else by ours. */
export const isByPhoto = (profile: Pick<Profile, 'rules'> | undefined, rule: string): boolean =>
  profile?.rules[rule]?.byPhoto ?? BY_PHOTO.includes(rule);

/** An item that the office checks beside the rules; answered yes or no in the case, under its id. */
export interface ChecklistItem {
  readonly id: string;
  /** Where on the walk it is asked. */
  readonly station: Station;
  readonly ask: string;
  readonly severity: Severity;
  readonly cite: string;
}

/** A local profile: what one office has adopted and amended. Data, never code. */
export interface Profile {
  readonly format: typeof PROFILE_FORMAT;
  readonly version: typeof PROFILE_VERSION;
  readonly office: string;
  readonly edition: Edition;
  /** The readings it has chosen where offices differ; who may install among them. */
  readonly readings: Readings;
  readonly rules: Readonly<Record<string, RuleChange>>;
  readonly numbers: OfficeNumbers;
  readonly checklist: readonly ChecklistItem[];
}

/** Rules that find nothing lighter by themselves. */
const HAZARDS = new Set<string>(RULES.filter(({ severity }) => severity === 'hazard').map((rule) => rule.id));
const ids = new Set<string>(RULES.map((rule) => rule.id));

/** The known name that shares most with what was written. */
function nearest(written: string, known: Iterable<string>): string {
  const parts = new Set(written.toLowerCase().split(/[^a-z0-9]+/));
  let best = '';
  let most = -1;
  for (const name of known) {
    const shared = name
      .toLowerCase()
      .split(/[^a-z0-9]+/)
      .filter((part) => parts.has(part)).length;
    if (shared > most) [best, most] = [name, shared];
  }
  return best;
}

const text = (most: number) =>
  string()
    .typeError(({ path, value }: { path: string; value: unknown }) => `${path}: ${quoted(value)} is no text`)
    .max(most, `longer than ${most} characters`);
const severity = () => mixed<Severity>().oneOf([...SEVERITIES], `right would be one of ${SEVERITIES.join(', ')}`);

const changeSchema = object({
  off: mixed<boolean>().oneOf([true, false], 'right would be true or false'),
  severity: severity(),
  byPhoto: mixed<boolean>().oneOf([true, false], 'right would be true or false'),
  cites: array(text(60).required('a section is a text')).typeError('right would be a list of sections'),
  reason: text(300).required('say why the office changes it'),
}).noUnknown(({ unknown }: { unknown: string }) => `${unknown} is nothing that a profile can change of a rule`);

/** An object with names of its own, each value checked by one schema. */
function record<T>(
  names: Iterable<string>,
  word: string,
  schema: { validateSync(value: unknown, options: object): unknown },
) {
  const known = new Set(names);
  return mixed<Record<string, T>>().test('record', (value, context) => {
    if (value === undefined) return true;
    if (typeof value !== 'object' || value === null || Array.isArray(value))
      return context.createError({ message: `${quoted(value)} is no group; right would be { … }` });
    for (const [key, one] of Object.entries(value)) {
      if (!known.has(key))
        return context.createError({ message: `${quoted(key)} is no ${word}; nearest is ${nearest(key, known)}` });
      try {
        schema.validateSync(one, {
          strict: true,
          abortEarly: true,
          context: { key, version: (context.parent as { version?: unknown }).version },
        });
      } catch (error) {
        if (!(error instanceof ValidationError)) throw error;
        return context.createError({ message: `${key}${error.path ? `.${error.path}` : ''}: ${error.message}` });
      }
    }
    return true;
  });
}

/** Bounds that version 1 allowed; a number beyond today's is held to them where it is used. */
const ONCE: Readonly<Partial<Record<OfficeNumberName, readonly [number, number]>>> = {
  leastOpeningFt: [0, 100],
  advisedOpeningFt: [0, 200],
  deadPinsV: [0, 30],
  groundPathOhm: [0.01, 25],
};

const numberSchema = number()
  .typeError('right would be a number')
  .required('right would be a number')
  .test('bounds', (value, context) => {
    const { key, version } = context.options.context as { key: OfficeNumberName; version: unknown };
    const { unit, ...now } = OFFICE_NUMBERS[key];
    const [min, max] = (version === 1 && ONCE[key]) || [now.min, now.max];
    return value >= min && value <= max
      ? true
      : context.createError({ message: `${value} is outside ${min} to ${max} ${unit}` });
  });

const readingSchema = mixed<string>().test('way', (value, context) => {
  const ways = Object.keys(READINGS[(context.options.context as { key: ReadingName }).key].ways);
  return ways.includes(value as string) || context.createError({ message: `right would be one of ${ways.join(', ')}` });
});

/** What no office can say: that a photo shows what has to be measured or tried. */
const notByPhoto = (data: { rules?: Readonly<Record<string, RuleChange>> }): string[] =>
  Object.entries(data.rules ?? {})
    .filter(([id, { byPhoto }]) => byPhoto === true && !maySettleByPhoto(id))
    .map(([id]) => `rules: ${id} is a hazard, or measured, bonded, torqued or tried at the house; no photo settles it`);

/** What version 2 refuses and version 1 was allowed to say without effect: a protected hazard made weaker. */
const notWeakened = (data: { version?: unknown; rules?: Readonly<Record<string, RuleChange>> }): string[] =>
  data.version === 1
    ? []
    : Object.entries(data.rules ?? {})
        .filter(
          ([id, { off, severity }]) =>
            isProtected(id) && (off || (severity && severity !== 'hazard' && HAZARDS.has(id))),
        )
        .map(([id]) => `rules: ${id} is a hazard that no office can switch off or make weaker`);

const profileSchema = object({
  format: mixed<typeof PROFILE_FORMAT>()
    .oneOf([PROFILE_FORMAT], `right would be "${PROFILE_FORMAT}"`)
    .required(`right would be "${PROFILE_FORMAT}"`),
  version: mixed<1 | 2>()
    .oneOf([1, 2], `right would be ${PROFILE_VERSION}; 1 is read too`)
    .required(`right would be ${PROFILE_VERSION}`),
  office: text(200).required('give the name of the office'),
  edition: mixed<Edition>()
    .oneOf([...EDITIONS], `right would be one of ${EDITIONS.join(', ')}`)
    .required(`right would be one of ${EDITIONS.join(', ')}`),
  installers: mixed<(typeof INSTALLERS)[number]>()
    .oneOf([...INSTALLERS], `right would be one of ${INSTALLERS.join(', ')}`)
    .test(
      'version',
      ({ value }) =>
        value === undefined
          ? `right would be one of ${INSTALLERS.join(', ')}`
          : 'version 2 says it under "readings", as "installer"',
      (value, { parent }) => (value === undefined) === ((parent as { version?: unknown }).version !== 1),
    ),
  readings: record<string>(Object.keys(READINGS), 'question that offices read differently', readingSchema),
  rules: record<RuleChange>(ids, 'rule', changeSchema),
  numbers: record<number>(Object.keys(OFFICE_NUMBERS), 'number that an office can change', numberSchema),
  checklist: array(
    object({
      id: text(60)
        .required('give an id')
        .matches(/^[a-z0-9-]+$/, 'right would be small letters, digits and dashes'),
      station: mixed<Station>().oneOf([...STATIONS], `right would be one of ${STATIONS.join(', ')}`),
      ask: text(300).required('say what is asked'),
      severity: severity().required(`right would be one of ${SEVERITIES.join(', ')}`),
      cite: text(100).required('give the citation'),
    }).noUnknown(({ unknown }: { unknown: string }) => `${unknown} is nothing that an item has`),
  )
    .typeError('right would be a list of items')
    .max(50, 'more than 50 items')
    .test(
      'unique',
      'two items have the same id',
      (items) => !items || new Set(items.map((one) => one?.id)).size === items.length,
    ),
}).noUnknown(({ unknown }: { unknown: string }) => `${unknown} is nothing that a profile has`);

export type ReadProfile =
  { readonly ok: true; readonly profile: Profile } | { readonly ok: false; readonly errors: string[] };

/** Reads a profile from text. Every error names the place and what would be right. */
export function parseProfile(source: string): ReadProfile {
  let data: unknown;
  try {
    data = JSON.parse(source, (key, value: unknown) => {
      if (key === '__proto__') throw new SyntaxError('"__proto__" is no name that stands there');
      return value;
    });
  } catch (error) {
    return { ok: false, errors: [`this is no JSON: ${(error as Error).message}`] };
  }
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return {
      ok: false,
      errors: [`${quoted(data)} is no profile; right would be { "format": "${PROFILE_FORMAT}", … }`],
    };
  try {
    const read = profileSchema.validateSync(data, { strict: true, abortEarly: false });
    const refused = [...notWeakened(read as Partial<Profile>), ...notByPhoto(read as Partial<Profile>)];
    if (refused.length > 0) return { ok: false, errors: refused };
    const { installers, ...rest } = read;
    const installer = installers && (installers === 'licensed' ? 'licensed' : 'anybody');
    return {
      ok: true,
      profile: {
        ...(rest as unknown as Profile),
        version: PROFILE_VERSION,
        rules: (rest.rules as Profile['rules'] | undefined) ?? {},
        numbers: (rest.numbers as OfficeNumbers | undefined) ?? {},
        readings: { ...(rest.readings as Readings | undefined), ...(installer && { installer }) },
        checklist: (rest.checklist ?? []).map(
          (item) => ({ ...item, station: item.station ?? 'panel' }) as ChecklistItem,
        ),
      },
    };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const all = error.inner.length > 0 ? error.inner : [error];
    return {
      ok: false,
      errors: all.map((one) =>
        one.path && !one.message.startsWith(`${one.path}:`) ? `${one.path}: ${one.message}` : one.message,
      ),
    };
  }
}

/** The profile’s JSON Schema, 2020-12. */
export function profileJsonSchema(): Record<string, unknown> {
  const words = (maxLength: number) => ({ type: 'string', maxLength });
  const change = {
    type: 'object',
    additionalProperties: false,
    required: ['reason'],
    properties: {
      off: { type: 'boolean' },
      severity: { enum: SEVERITIES },
      byPhoto: { type: 'boolean' },
      cites: { type: 'array', items: words(60) },
      reason: words(300),
    },
  };
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Careful Latch local profile',
    description: 'What one office has adopted and amended. A number or rule that is absent stays as it is.',
    type: 'object',
    additionalProperties: false,
    required: ['format', 'version', 'office', 'edition'],
    properties: {
      format: { const: PROFILE_FORMAT },
      version: { const: PROFILE_VERSION },
      office: words(200),
      edition: { enum: EDITIONS },
      readings: {
        type: 'object',
        additionalProperties: false,
        properties: Object.fromEntries(
          Object.entries(READINGS).map(([name, { asks, ways, usual }]) => [
            name,
            {
              enum: Object.keys(ways),
              default: usual,
              title: asks,
              description: Object.entries(ways)
                .map(([way, words]) => `${way}: ${words}`)
                .join('; '),
            },
          ]),
        ),
      },
      rules: {
        type: 'object',
        additionalProperties: false,
        properties: Object.fromEntries([...ids].map((id) => [id, change])),
      },
      numbers: {
        type: 'object',
        additionalProperties: false,
        properties: Object.fromEntries(
          Object.entries(OFFICE_NUMBERS).map(([name, { label, unit, min, max, value }]) => [
            name,
            { type: 'number', minimum: min, maximum: max, default: value, title: label, description: `unit: ${unit}` },
          ]),
        ),
      },
      checklist: {
        type: 'array',
        maxItems: 50,
        items: {
          type: 'object',
          additionalProperties: false,
          required: ['id', 'ask', 'severity', 'cite'],
          properties: {
            id: { type: 'string', pattern: '^[a-z0-9-]+$', maxLength: 60 },
            station: { enum: STATIONS, default: 'panel' },
            ask: words(300),
            severity: { enum: SEVERITIES },
            cite: words(100),
          },
        },
      },
    },
  };
}
