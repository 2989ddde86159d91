import { emptyCase } from '../../case';
import { mixed, number, object, type InferType } from 'yup';
import { headerSchema, openedInspection, type Inspection, type Rules } from '../inspection';
import { changeShape, line, oneLine } from '../shapes';
import type { Act } from './kind';

/** A house, under the version of the office's rules that a change names, where it names one. */
type UnderRules<H> = { readonly inspection: H; readonly rules: Rules | undefined };

const rulesVersion = number().integer().min(1).max(1_000_000);
const openSchema = object({
  ...changeShape,
  type: mixed<'open'>().required(),
  header: headerSchema.required(),
  /** The version of the office's rules that it is judged under; absent where the office has adopted none. */
  rules: rulesVersion.optional(),
}).noUnknown();
const requestSchema = object({ ...changeShape, type: mixed<'request'>().required() }).noUnknown();
const rulesSchema = object({
  ...changeShape,
  type: mixed<'rules'>().required(),
  rules: rulesVersion.required(),
}).noUnknown();
const correction = {
  address: oneLine('The address', 200).required('Give the address of the property.'),
  owner: oneLine('The owner', 200).defined(),
  permit: oneLine('The permit number', 60).defined(),
  reason: line('The reason', 500).required('Say why it is corrected; it stays with the inspection.'),
};
/** What is said when a head is corrected. */
export const correctionSchema = object(correction);
export type Correction = InferType<typeof correctionSchema>;

const headSchema = object({
  ...changeShape,
  type: mixed<'head'>().required(),
  ...correction,
  /** What stood there, as the device had it: what is the same in both is not corrected; what differs from the house’s was corrected by another. */
  over: object({
    address: oneLine('The address', 200).defined(),
    owner: oneLine('The owner', 200).defined(),
    permit: oneLine('The permit number', 60).defined(),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
}).noUnknown();
type Head = InferType<typeof headSchema>;
const HEAD = { address: 'address', owner: 'owner', permit: 'permit number' } as const;

/** A correction of the head with what its device had before it. */
export const withHeadSeen = ({ header: { address, owner, permit } }: Inspection, change: Head): Head => ({
  ...change,
  over: change.over ?? { address, owner, permit },
});

const NO_SUCH_RULES = 'The office has no such version of its rules.';

export const open: Act<UnderRules<Inspection | undefined>, InferType<typeof openSchema>, Inspection> = {
  type: 'open',
  elsewhere: 'opened',
  schema: openSchema,
  may: 'record',
  only: 'Only whoever walks a house opens its inspection.',
  says: 'the address, and the edition that the office has adopted',
  put({ house: { inspection, rules }, change }) {
    if (change.rules !== rules?.version) return NO_SUCH_RULES;
    if (inspection) return 'This inspection is open already.';
    return openedInspection(change.inspection, change.header, change.at, rules);
  },
};

/** Judged under another version of the office's rules from now on. */
export const rules: Act<UnderRules<Inspection>, InferType<typeof rulesSchema>, Inspection> = {
  type: 'rules',
  elsewhere: 'the rules that it is judged under',
  schema: rulesSchema,
  may: 'inspect',
  only: 'Only an inspector says under which rules it is judged.',
  says: 'a version that the office has adopted',
  put: ({ house: { inspection, rules: version }, change }) =>
    change.rules === version?.version ? { ...inspection, rules: version!, changedAt: change.at } : NO_SUCH_RULES,
};

/** A contractor hands his own house to the office: what he recorded is claimed from then on, and the office records its own. */
export const request: Act<UnderRules<Inspection>, InferType<typeof requestSchema>, Inspection> = {
  type: 'request',
  elsewhere: 'the request for an inspection',
  schema: requestSchema,
  outside: true,
  may: 'request',
  only: 'A contractor asks the office for an inspection; you make it.',
  says: 'a house that he walked himself, and that the office was not asked for yet',
  put({ house: { inspection, rules: version }, person: { name: by }, change: { at } }) {
    if (inspection.claimed || inspection.decisions.length > 0)
      return 'The office was asked for this inspection already.';
    const { conflicts: _, ...rest } = inspection;
    return {
      ...rest,
      ...(version && { rules: version }), // what the office finds it judges as it has adopted by then
      claimed: { case: inspection.case, by, at },
      case: emptyCase(inspection.case.edition),
      changedAt: at,
    };
  },
};

/** What stands at the head, corrected: the house was another, or its owner is called otherwise. */
export const head: Act<Inspection, Head, Inspection> = {
  type: 'head',
  elsewhere: 'the address, owner or permit',
  schema: headSchema,
  may: 'record',
  only: 'Only whoever walks the house corrects its head.',
  says: 'why it is corrected; nothing that another has corrected meanwhile',
  put({ house, change: { address, owner, permit, over, at } }) {
    const wanted = { address, owner, permit };
    const fields = Object.keys(HEAD) as (keyof typeof HEAD)[];
    const corrected = fields.filter((one) => over?.[one] !== wanted[one]);
    const other = over && corrected.find((one) => house.header[one] !== over[one]);
    if (other)
      return `The ${HEAD[other]} was corrected by somebody else meanwhile: “${house.header[other]}”. Look at it, then correct it.`;
    const now = Object.fromEntries(corrected.map((one) => [one, wanted[one]]));
    return { ...house, header: { ...house.header, ...now }, changedAt: at };
  },
};
