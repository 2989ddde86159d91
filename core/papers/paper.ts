import type { Case } from '../case';
import {
  INSTALLER_KINDS,
  PAPER_STATES,
  dayIn,
  installerOf,
  isDestroyed,
  judged,
  type Docket,
  type Evidence,
  type Header,
  type Inspection,
  type Order,
  type PaperState,
  type Photo,
  type Rules,
  type Signed,
  type Step,
} from '../record';
import type { Evaluation } from '../verdict';

/** What a paper is made from: a decision with all that was shown when it was signed. */
export interface PaperSource {
  readonly inspection: string;
  readonly header: Header;
  readonly case: Case;
  readonly evaluation: Evaluation;
  /** The office's own rules that it was judged under. */
  readonly rules?: Rules | undefined;
  /** When the office received it, where it was signed without signal. */
  readonly offlineUntil?: string | undefined;
  readonly evidence: readonly Evidence[];
  readonly docket: Docket;
  readonly decision: Signed;
  readonly signedBy: string;
  readonly office: string;
  /** The office's time zone (IANA): every day and hour on its papers is in it. */
  readonly zone: string;
  /** The order that the decision posted, as it stands now. */
  readonly order?: Order | undefined;
  /** What became of the decision since, where it does not stand as it was issued. */
  readonly became?: Step<PaperState> | undefined;
  /** What the office has sealed it as; without it the paper is provisional. */
  readonly sealed?: { readonly number: string; readonly seal: string; readonly checkAt: string } | undefined;
}

/** The step after which a decision does not stand as it was issued; undefined where it does. */
export const becameOf = ({ papers }: Docket, decision: string): Step<PaperState> | undefined => {
  const of = papers?.find(({ id }) => id === decision);
  return of && of.state !== 'issued' ? of.steps.at(-1) : undefined;
};

/** The order that a decision has posted, as it stands now; undefined where it posted none. */
export const orderOf = ({ orders }: Docket, decision: string): Order | undefined =>
  orders.find(({ id }) => id === decision);

/** What the papers of a decision are made from, as a device has the inspection. */
export const sourceOfInspection = (
  one: Inspection,
  decision: Signed,
  signedBy: string,
  office: string,
  zone: string,
): PaperSource => ({
  inspection: one.id,
  header: one.header,
  case: one.case,
  evaluation: judged(one),
  rules: one.rules,
  evidence: one.evidence,
  docket: one.docket,
  decision,
  signedBy,
  office,
  zone,
  order: orderOf(one.docket, decision.id),
  became: becameOf(one.docket, decision.id),
});

/** A piece of a paper, whatever it is shown on. */
export type Block =
  | { readonly kind: 'big' | 'heading' | 'text' | 'bold' | 'small'; readonly text: string }
  | { readonly kind: 'list' | 'steps'; readonly items: readonly string[] }
  | { readonly kind: 'pairs'; readonly rows: readonly (readonly [string, string])[] }
  | { readonly kind: 'table'; readonly head: readonly string[]; readonly rows: readonly (readonly string[])[] }
  | { readonly kind: 'drawing'; readonly svg: string; readonly says: string }
  | { readonly kind: 'photo'; readonly photo: Photo; readonly caption: string }
  | {
      readonly kind: 'label';
      readonly place: string;
      readonly words: readonly string[];
      readonly sizeIn: readonly [number, number];
    }
  | { readonly kind: 'ruler'; readonly lengthIn: number };

export interface Paper {
  readonly title: string;
  readonly head: readonly (readonly [string, string])[];
  readonly provisional: boolean;
  readonly blocks: readonly Block[];
  /** In a line at the foot of every page. */
  readonly foot: string;
  /** Where somebody with the paper in hand asks whether it is current; nothing of the house stands there. */
  readonly checkAt: string | undefined;
}

export const big = (text: string): Block => ({ kind: 'big', text });
export const heading = (text: string): Block => ({ kind: 'heading', text });
export const text = (words: string): Block => ({ kind: 'text', text: words });
export const bold = (words: string): Block => ({ kind: 'bold', text: words });
export const small = (words: string): Block => ({ kind: 'small', text: words });
export const list = (items: readonly string[]): Block => ({ kind: 'list', items });
export const steps = (items: readonly string[]): Block => ({ kind: 'steps', items });

/** A heading with what stands under it; nothing where nothing does. */
export const section = (title: string, ...blocks: readonly (Block | false | undefined)[]): Block[] => {
  const there = blocks.filter((one) => one !== false && one !== undefined);
  const isEmpty = (one: Block) =>
    ('items' in one && one.items.length === 0) || ('rows' in one && one.rows.length === 0);
  return there.every(isEmpty) ? [] : [heading(title), ...there.filter((one) => !isEmpty(one))];
};

/** November 26, 2026: of an ISO day. */
export const dayWords = (day: string): string =>
  new Date(`${day}T00:00:00Z`).toLocaleDateString('en-US', { dateStyle: 'long', timeZone: 'UTC' });

/** November 26, 2026: the day on which an instant falls at the office, wherever it is printed. */
export const dayWordsIn = (at: string, zone: string): string => dayWords(dayIn(zone, at));

/** November 26, 2026, 9:10 PM EST: an instant by the clock of the office. */
export const clockWords = (at: string, zone: string): string =>
  `${dayWordsIn(at, zone)}, ${new Date(at).toLocaleTimeString('en-US', { hour: 'numeric', minute: '2-digit', timeZone: zone, timeZoneName: 'short' }).replaceAll('\u202f', ' ')}`;

const CAUTION =
  'The adopted code, the local office and a licensed person decide. This paper says what was seen that day, and warrants nothing.';

const permitWords = (number: string, { permit }: Docket): string =>
  [
    number || 'none given',
    permit?.state === 'missing' && 'required, and missing',
    permit?.until && `holds until ${dayWords(permit.until)}`,
  ]
    .filter(Boolean)
    .join(', ');

/** Head and foot of a paper. One that is filed says all of itself; what hangs at a door or in a panel names no owner, and is short. */
export function framed(
  title: string,
  { header, decision, signedBy, office, evaluation, rules, offlineUntil, sealed, docket, became, zone }: PaperSource,
  blocks: readonly Block[],
  filed: boolean,
): Paper {
  const work = installerOf(docket);
  const head: (readonly [string, string])[] = [
    ['Office', office],
    ['Property', header.address],
    ...(filed && header.owner
      ? ([
          ['Owner', isDestroyed(header.owner) ? 'destroyed, its time being over; its hash is sealed' : header.owner],
        ] as const)
      : []),
    ...(filed ? ([['Permit', permitWords(header.permit, docket)]] as const) : []),
    ...(filed && work ? ([['Work by', work.license ? `${work.name}, license ${work.license}` : `${work.name}, ${INSTALLER_KINDS[work.kind].toLowerCase()}`]] as const) : []), // prettier-ignore
    ['Signed', filed ? `${clockWords(decision.at, zone)}, ${signedBy}` : dayWordsIn(decision.at, zone)],
    ...(filed && offlineUntil
      ? ([['Received', `${clockWords(offlineUntil, zone)}; it was signed without signal`]] as const)
      : []),
    ...(filed
      ? ([
          [
            'Code',
            `${evaluation.edition} edition ${rules ? `with the office’s own rules, version ${rules.version}` : 'as adopted locally'}; engine ${evaluation.engine}`,
          ],
        ] as const)
      : []),
    ['Number', sealed?.number ?? 'PROVISIONAL: not sealed by the office yet'],
  ];
  const seal = sealed ? ` Seal ${sealed.seal.slice(0, 16)}.` : '';
  const void_: readonly Block[] = became
    ? [
        big(PAPER_STATES[became.to].toUpperCase()),
        text(
          `Since ${dayWordsIn(became.at, zone)}, said by ${became.by}: ${became.words} What stands below holds no longer.`,
        ),
      ]
    : [];
  return {
    title,
    head,
    provisional: !sealed,
    blocks: [...void_, ...blocks],
    foot: `${CAUTION}${seal}`,
    checkAt: sealed?.checkAt,
  };
}

/** A paper as plain text, for whoever has nothing but that in ten years. */
export function plainText({ title, head, blocks, foot }: Paper): string {
  const lineOf = (block: Block): string => {
    switch (block.kind) {
      case 'list':
        return block.items.map((one) => `- ${one}`).join('\n');
      case 'steps':
        return block.items.map((one, i) => `${i + 1}. ${one}`).join('\n');
      case 'pairs':
        return block.rows.map(([name, value]) => `${name}: ${value}`).join('\n');
      case 'table':
        return block.rows.map((row) => row.map((cell, i) => `${block.head[i]}: ${cell}`).join('; ')).join('\n');
      case 'drawing':
        return block.says;
      case 'photo':
        return `Photo ${block.photo.sha256}: ${block.caption}`;
      case 'label':
        return `${block.place}: ${block.words.join(' / ')}`;
      case 'ruler':
        return '';
      case 'heading':
        return `\n${block.text.toUpperCase()}`;
      default:
        return block.text;
    }
  };
  return [
    title.toUpperCase(),
    ...head.map(([name, value]) => `${name}: ${value}`),
    '',
    ...blocks.map(lineOf),
    '',
    foot,
    '',
  ].join('\n');
}
