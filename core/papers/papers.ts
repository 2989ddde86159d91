import {
  STATION_NAMES,
  STATIONS,
  circuitAt,
  factAt,
  factLabel,
  recordedAt,
  HOWS,
  NOT_SEEN,
  metaOf,
  recordedFacts,
  valueText,
  type Case,
} from '../case';
import { Look, Missing, feedOf, ratingRow, weakest } from '../electrical';
import {
  DECISIONS,
  ORDER_KINDS,
  VIOLATION_STATES,
  conditionsOf,
  isApproval,
  isOpen,
  openedAt,
  visitUnderWay,
  type Signed,
} from '../record';
import { oneLineSvg, oneLineWords } from './one-line';
import {
  big,
  bold,
  clockWords,
  dayWordsIn,
  dayWords,
  framed,
  heading,
  list,
  section,
  small,
  steps,
  text,
  type Block,
  type Paper,
  type PaperSource,
} from './paper';

interface Kind {
  readonly title: string;
  /** Why there is no such paper, in a sentence; undefined where there is. */
  readonly whyNot: (source: PaperSource) => string | undefined;
  readonly blocks: (source: PaperSource) => readonly Block[];
  /** Whether it stays in a file; what hangs at a door or in a panel names no owner, and says little of itself. */
  readonly filed?: boolean;
}

const always = () => undefined;
const APPEAL =
  'Whoever disagrees asks the office in writing; it says how and until when an appeal is filed. An order stands meanwhile.';

/** What only an instrument tells, whoever wrote it down. */
const MEASURED_IN: ReadonlySet<string> = new Set(['V', 'Hz', 'Ω']);
const isReading = (c: Case, path: string): boolean => {
  const { kind, unit } = metaOf(path);
  return (kind === 'amount' && MEASURED_IN.has(unit) && factAt(c, path) !== NOT_SEEN) || recordedAt(c, path)?.how === 'meter'; // prettier-ignore
};

/** How a reading was got, and by whom: a number that was typed is not one that a meter sent. */
function howWords(line: ReturnType<typeof recordedAt>): string {
  if (!line) return 'nobody has said how it was got';
  const how = line.how === 'meter' ? `from the meter${line.said ? ` (${line.said})` : ''}` : line.how === 'touched' ? `read off and entered${line.said ? ` as ${line.said}` : ''}` : HOWS[line.how].toLowerCase(); // prettier-ignore
  return `${how}, by ${line.by}`;
}

const wordsOf = (c: Case, path: string): string => valueText(path, factAt(c, path));
const rowOf = (c: Case) =>
  ratingRow(c).map(({ part, ratingA, source }) => [part, ratingA === undefined ? 'not seen' : `${ratingA} A`, source]);
const drawing = (c: Case): Block => ({ kind: 'drawing', svg: oneLineSvg(c), says: oneLineWords(c) });

/** The conditions of a decision, each with its day. */
const conditionLines = (signed: Signed): string[] =>
  conditionsOf(signed).map(({ text: what, dueOn }) => (dueOn === null ? what : `${what} By ${dayWords(dueOn)}.`));

const visitOf = ({ docket, decision }: PaperSource) =>
  visitUnderWay(docket) ?? docket.visits.find(({ steps: all }) => all.some(({ at }) => at === decision.at));

/** Several in one line; nothing where there are none. */
const summary = (all: readonly string[]): Block | false => all.length > 0 && text(`${all.join(', ')}.`);

function report(source: PaperSource): Block[] {
  const { case: c, evaluation, docket, evidence, decision, signedBy } = source;
  const visit = visitOf(source);
  const letIn = visit?.steps.find(({ to }) => to === 'under-way');
  const count = (station: string, outcome: string) =>
    evaluation.outcomes.filter((one) => one.station === station && one.outcome === outcome).length;
  const scope = 'scope' in decision ? decision.scope : STATIONS;
  const unproven = evaluation.outcomes.filter(
    (one) => one.outcome === 'unproven' && one.severity !== 'advisory' && scope.includes(one.station),
  );
  const readings = recordedFacts(c)
    .filter((path) => isReading(c, path))
    .map((path) => ({ path, line: recordedAt(c, path) }));
  const since = letIn?.at;
  const carried = since
    ? STATIONS.filter((station) => {
        const seen = recordedFacts(c)
          .filter((path) => path.startsWith(station))
          .flatMap((path) => recordedAt(c, path)?.at ?? []);
        return seen.length > 0 && seen.every((at) => at < since);
      })
    : [];
  const left = STATIONS.filter((one) => !scope.includes(one));
  return [
    bold(DECISIONS[decision.kind]),
    ...section(
      'Scope',
      text(
        left.length === 0
          ? 'The whole path, from the source to the loads.'
          : `These stations: ${scope.map((one) => STATION_NAMES[one]).join(', ')}.`,
      ),
    ),
    ...section('Present', letIn && text(`${letIn.by} for the office; let in by: ${letIn.words}.`)),
    ...section(
      'Source',
      list(
        ['source.kind', 'source.voltage', 'source.fuel', 'source.runningW', 'source.outlet', 'source.neutralBond']
          .filter((path) => factAt(c, path) !== undefined)
          .map((path) => `${factLabel(path)}: ${wordsOf(c, path)}`),
      ),
    ),
    ...section('Violations', {
      kind: 'table',
      head: ['No.', 'What was seen', 'Section', 'State', 'By'],
      rows: docket.violations.map((one) => [
        String(one.number),
        `${STATION_NAMES[one.station]}. ${one.words}`,
        one.cites.join(', '),
        VIOLATION_STATES[one.state],
        one.dueOn ? dayWords(one.dueOn) : '',
      ]),
    }),
    ...section(
      'Found by the program and dismissed',
      list(docket.notTakenUp.map(({ rule, reason, by }) => `${rule}: ${reason} (${by})`)),
    ),
    ...section('Conditions', list(conditionLines(decision))),
    ...section(
      'What holds, in short',
      summary(
        STATIONS.filter((one) => count(one, 'holds') > 0).map((one) => `${STATION_NAMES[one]} ${count(one, 'holds')}`),
      ),
    ),
    ...section(
      'Not inspected or not proved',
      list([
        ...left.map((one) => `${STATION_NAMES[one]}: ${'leftOut' in decision ? decision.leftOut : ''}`),
        ...unproven.map(({ station, reason }) => `${STATION_NAMES[station]}: ${reason}`),
      ]),
    ),
    ...section(
      'Carried over from an earlier visit, not looked at again',
      summary(carried.map((one) => STATION_NAMES[one])),
    ),
    ...section(
      'Measured',
      list(readings.map(({ path, line }) => `${factLabel(path)}: ${wordsOf(c, path)}, ${howWords(line)}`)),
    ),
    ...section('The row in which the weakest decides', {
      kind: 'table',
      head: ['Part', 'Rating', 'By'],
      rows: rowOf(c),
    }),
    ...section('As found', drawing(c), small('As found, not a design, not to scale. What was not seen is dashed.')),
    ...section(
      'Photos and notes',
      ...evidence.map((one): Block =>
        one.photo ? { kind: 'photo', photo: one.photo, caption: one.text || 'no caption' } : text(`Note: ${one.text}`),
      ),
    ),
    ...section('Signed', text(signedBy), small(APPEAL)),
  ];
}

function notice({ docket, decision, zone }: PaperSource): Block[] {
  const open = docket.violations.filter(isOpen);
  return [
    text('What follows was seen at this property and is to be corrected by the day that stands beside it.'),
    ...open.flatMap((one): Block[] => [
      heading(`${one.number}. ${STATION_NAMES[one.station]}${one.severity === 'hazard' ? ', hazard' : ''}`),
      text(one.words),
      ...(one.remedy ? [text(`One acceptable way to correct it: ${one.remedy}`)] : []),
      {
        kind: 'pairs',
        rows: [
          ['Section', one.cites.join(', ') || 'as written above'],
          ['To be corrected by', one.dueOn ? dayWords(one.dueOn) : 'the next visit'],
          ['Seen', dayWordsIn(openedAt(one), zone)],
        ],
      },
    ]),
    ...(decision.dueOn ? [bold(`Reinspection from ${dayWords(decision.dueOn)}.`)] : []),
    heading('When it is corrected'),
    text(
      'Whoever holds the permit says what was done, for each number, to the office. The days keep running until an inspector has seen it.',
    ),
    small(APPEAL),
  ];
}

/** What still stands of an order: what of it the office has said since. */
function order({ decision, signedBy, office, order: now, zone }: PaperSource): Block[] {
  const posted = 'order' in decision ? decision.order : null;
  if (!posted) return [];
  const limited = now?.state === 'limited' ? now.steps.findLast(({ to }) => to === 'limited') : undefined;
  return [
    big(ORDER_KINDS[posted.kind].toUpperCase()),
    bold(posted.covers),
    ...section('Ground', text(posted.ground)),
    ...section('What may still be done', text(posted.mayDo || 'Nothing before the office has said so.')),
    ...(limited
      ? section('Corrective work is allowed', text(`${limited.words} Said by ${limited.by}, ${clockWords(limited.at, zone)}. Everything else stays forbidden.`)) // prettier-ignore
      : []),
    ...section('Posted', text(`${clockWords(decision.at, zone)}, by ${signedBy}. Told: ${posted.told}.`)),
    ...section('Lifted by', text(`The lead of ${office}, in writing, once every ground is settled.`)),
    big('DO NOT REMOVE'),
    small(APPEAL),
  ];
}

/** The paper that takes an order down. */
function lifting({ decision, order: now, zone, office }: PaperSource): Block[] {
  const posted = 'order' in decision ? decision.order : null;
  const lifted = now?.steps.at(-1);
  return posted && lifted
    ? [
        big(`${ORDER_KINDS[posted.kind].toUpperCase()}: LIFTED`),
        text(`The order that was posted here ${dayWordsIn(decision.at, zone)} is lifted. It may be taken down.`),
        ...section('It covered', text(posted.covers)),
        ...section('Lifted', text(`${clockWords(lifted.at, zone)}, by ${lifted.by} for ${office}.`)),
        ...section('Why, and what was seen', text(lifted.words)),
        small('Lifting an order approves nothing: whether the connection may be used, the last decision says.'),
      ]
    : [];
}

/** What may feed the house, in words; undefined while anything of it is unproven. */
export function permittedSource(c: Case): { volts: string; mostA: number; neutral: string } | undefined {
  const row = ratingRow(c);
  const least = weakest(row);
  const switched = factAt(c, 'neutral.switched');
  if (!least || row.some(({ ratingA }) => ratingA === undefined) || (switched !== 'yes' && switched !== 'no'))
    return undefined;
  try {
    return {
      volts: `${feedOf(new Look(c))} V`,
      mostA: least.ratingA,
      neutral: switched === 'yes' ? 'bonded to its frame' : 'floating',
    };
  } catch (error) {
    if (error instanceof Missing) return undefined;
    throw error;
  }
}

function certificate(source: PaperSource): Block[] {
  const { case: c, decision } = source;
  const permitted = permittedSource(c);
  return [
    bold(DECISIONS[decision.kind]),
    text('Portable generator connection, the whole path from the source to the loads.'),
    ...section('Transfer equipment', text(wordsOf(c, 'transfer.kind'))),
    ...section('Permitted source', {
      kind: 'pairs',
      rows: permitted
        ? [
            ['Volts', permitted.volts],
            ['Most', `${permitted.mostA} A`],
            ['Neutral', permitted.neutral],
          ]
        : [['Source', 'as seen; nothing is wired to the house']],
    }),
    ...section('Conditions', list(conditionLines(decision))),
    heading('Limits'),
    text('It says what was seen that day. It is void once anything of the connection is changed, and is no warranty.'),
  ];
}

const KINDS_WITH_PANEL = ['retrofit-interlock', 'whole-house-manual', 'transfer-panel'];

/** A circuit as it is called at the panel: its number and its name; what somebody needs for their health is nobody’s to read. */
function circuitLines(c: Case, plan: 'run' | 'in-turn'): string[] {
  const all = (factAt(c, 'loads.circuits') as { plan?: string; use?: string; slot?: number }[] | undefined) ?? [];
  return all.flatMap((one, i) => {
    if (one.plan !== plan) return [];
    const use = one.use === undefined || one.use === 'medical' ? 'Device' : valueText(circuitAt(i).use, one.use);
    return [`${typeof one.slot === 'number' ? `Breaker ${one.slot}` : `Circuit ${i + 1}`}: ${use}`];
  });
}

function card({ case: c, office }: PaperSource): Block[] {
  const kind = String(factAt(c, 'transfer.kind'));
  const cordsOnly = kind === 'none-cords';
  const byMain = KINDS_WITH_PANEL.includes(kind);
  const latch = kind === 'retrofit-interlock' ? 'Slide the interlock' : 'Move the handle';
  const permitted = permittedSource(c);
  const run = circuitLines(c, 'run');
  const turn = circuitLines(c, 'in-turn');
  return [
    ...section(
      'Before starting',
      steps([
        'Put the generator outdoors, 20 ft from every door and window, exhaust away from the house.',
        'See that the carbon monoxide alarms in the house work.',
        'Let it cool before filling it. Keep the fuel away from it.',
        ...(cordsOnly
          ? []
          : ['Switch every circuit of the generator off.', 'Plug the cord into the inlet, then into the generator.']),
      ]),
    ),
    ...section(
      'Start, and move the load',
      steps([
        'Start the engine. Let it run a minute.',
        ...(cordsOnly
          ? ['Plug in one appliance at a time, by outdoor cords.']
          : byMain
            ? [
                'Switch the utility main OFF.',
                `${latch} to GENERATOR.`,
                'Switch the generator breaker ON.',
                'Switch circuits ON one at a time; wait until the engine steadies.',
              ]
            : ['Move the switches from LINE to GENERATOR, one at a time; wait until the engine steadies.']),
      ]),
    ),
    ...(permitted
      ? [
          bold(
            `At most ${permitted.mostA} A at ${permitted.volts}. Source with its neutral ${permitted.neutral}, no other.`,
          ),
        ]
      : []),
    ...section('May run together', list(run)),
    ...section('One of these at a time', list(turn)),
    ...section('Stays off', text('Every breaker that is not named above.')),
    ...section(
      'The street is back',
      steps([
        ...(cordsOnly
          ? ['Unplug the appliances.']
          : byMain
            ? [
                'Switch the circuits OFF.',
                'Switch the generator breaker OFF.',
                `${latch} back to UTILITY.`,
                'Switch the utility main ON.',
                'Switch the circuits ON.',
              ]
            : ['Move the switches back to LINE, one at a time.']),
      ]),
    ),
    ...section(
      'Stop',
      steps([
        'Let the engine run a few minutes without load.',
        'Stop it.',
        ...(cordsOnly ? [] : ['Unplug the cord at the generator, then at the inlet. Close the lid.']),
        'Leave it outdoors until it is cold.',
      ]),
    ),
    ...section('Carbon monoxide', bold('Headache, dizziness, an alarm: everybody out, then call 911.')),
    text(`Questions about this connection: ${office}.`),
  ];
}

function labels({ case: c }: PaperSource): Block[] {
  const permitted = permittedSource(c);
  const label = (place: string, sizeIn: readonly [number, number], ...words: readonly string[]): Block => ({
    kind: 'label',
    place,
    words,
    sizeIn,
  });
  const has = (path: string) => factAt(c, path) !== undefined;
  return [
    small(
      'Paper is not the permanent label. Have each made in a material that lasts where it hangs, in this size or larger.',
    ),
    { kind: 'ruler', lengthIn: 4 },
    ...(permitted && has('inlet.ratingA')
      ? [
          label(
            'Beside the inlet',
            [4, 2],
            'WARNING',
            `GENERATOR INLET, ${permitted.volts}, ${permitted.mostA} A AT MOST`,
            `ONLY A SOURCE WHOSE NEUTRAL IS ${permitted.neutral.toUpperCase()}`,
          ),
        ]
      : []),
    ...(has('breaker.ratingA')
      ? [label('Beside the backfed breaker', [3, 1], 'GENERATOR', 'KEEP OFF WHILE THE UTILITY MAIN IS ON')]
      : []),
    label('On the panel', [4, 1.25], 'TWO SOURCES FEED THIS PANEL', 'UTILITY MAIN, AND GENERATOR'),
    ...(permitted
      ? [
          label(
            'Beside the operating steps',
            [4, 1.25],
            'GENERATOR LOAD',
            `AT MOST ${permitted.mostA} A AT ${permitted.volts}`,
          ),
        ]
      : []),
    ...(permitted?.neutral === 'floating'
      ? [label('At the generator inlet', [4, 1.25], 'WARNING: SHOCK', 'DO NOT REMOVE THE GROUND CONNECTION')]
      : []),
  ];
}

/** The papers of an inspection. */
export const PAPERS = {
  report: { title: 'Inspection report', whyNot: always, blocks: report, filed: true },
  notice: {
    title: 'Correction notice',
    whyNot: ({ docket }) => (docket.violations.some(isOpen) ? undefined : 'No violation is open.'),
    blocks: notice,
    filed: true,
  },
  order: {
    title: 'Order',
    whyNot: ({ decision, order: now }) =>
      !('order' in decision && decision.order)
        ? 'This decision posts no order.'
        : now?.state === 'lifted'
          ? 'This order is lifted; its lifting is a paper of its own.'
          : undefined,
    blocks: order,
  },
  lifting: {
    title: 'Order lifted',
    whyNot: ({ order: now }) => (now?.state === 'lifted' ? undefined : 'No order of this decision is lifted.'),
    blocks: lifting,
  },
  certificate: {
    title: 'Certificate of inspection',
    filed: true,
    whyNot: ({ decision, sealed }) =>
      !isApproval(decision.kind)
        ? 'Only an approval has a certificate.'
        : sealed
          ? undefined
          : 'The office has not sealed it yet; a certificate waits for that.',
    blocks: certificate,
  },
  card: {
    title: 'Operating card',
    whyNot: ({ case: c, decision }) =>
      !isApproval(decision.kind)
        ? 'What is not approved is not to be operated.'
        : factAt(c, 'transfer.kind') === undefined
          ? 'The transfer equipment is not recorded.'
          : undefined,
    blocks: card,
  },
  labels: {
    title: 'Label sheet',
    whyNot: ({ case: c }) =>
      factAt(c, 'transfer.kind') === 'none-cords'
        ? 'Nothing is wired to the house; there is nothing to label.'
        : undefined,
    blocks: labels,
  },
  diagram: {
    title: 'One-line diagram',
    whyNot: always,
    blocks: ({ case: c }) => [drawing(c), small('As found, not a design, not to scale. What was not seen is dashed.')],
  },
} as const satisfies Record<string, Kind>;
export type PaperName = keyof typeof PAPERS;

/** A paper, or the sentence why there is none. */
export function paperOf(name: PaperName, source: PaperSource): Paper | string {
  const kind: Kind = PAPERS[name];
  return kind.whyNot(source) ?? framed(kind.title, source, kind.blocks(source), kind.filed ?? false);
}
