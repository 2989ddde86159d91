import { mixed, object, type InferType } from 'yup';
import { changeShape, oneLine } from '../shapes';
import { SHORTEST_REASON, words } from '../steps';
import type { Act } from './kind';

export const INSTALLER_KINDS = { contractor: 'A contractor', owner: 'The owner' } as const;

const schema = object({
  ...changeShape,
  type: mixed<'installer'>().required(),
  kind: mixed<keyof typeof INSTALLER_KINDS>()
    .oneOf(Object.keys(INSTALLER_KINDS) as (keyof typeof INSTALLER_KINDS)[], 'It is a contractor or the owner.')
    .required('Say who does the work: a contractor or the owner.'),
  name: oneLine('The name', 200).required('Name who does the work.'),
  /** Of a contractor; the owner has none. */
  license: oneLine('The license', 60).defined(),
  words,
}).noUnknown();

/** Who does the work, from a day on: the last of them answers for what is open. */
export interface Installer extends Pick<InferType<typeof schema>, 'kind' | 'name' | 'license'> {
  readonly from: string;
  readonly by: string;
  /** What was handed over, and how it stood then. */
  readonly words: string;
}
export interface Installers {
  readonly installers?: readonly Installer[];
}

/** Who does the work now; undefined where nobody has said. */
export const installerOf = ({ installers }: Installers): Installer | undefined => installers?.at(-1);

const MOST = 100;

export const installer: Act<Installers, InferType<typeof schema>, Installers> = {
  type: 'installer',
  elsewhere: 'who does the work',
  schema,
  may: 'inspect',
  only: 'Only an inspector writes down who does the work.',
  says: 'the license of a contractor; what is done, and what is left, where the work changes hands',
  offered: {
    label: 'Who does the work',
    asks: [
      { name: 'kind', label: 'The work is done by', choices: INSTALLER_KINDS },
      { name: 'name', label: 'Name' },
      { name: 'license', label: 'License, of a contractor' },
      { name: 'words', label: 'What is handed over: done, and left', lines: true },
    ],
    act: 'Hand it over',
  },
  put({ house: { installers = [] }, person, change: { kind, name, license, words: said, at } }) {
    if (kind === 'contractor' && license === '') return 'Give the license of the contractor.';
    if (installers.length > 0 && said.length < SHORTEST_REASON)
      return `Say what is handed over, in at least ${SHORTEST_REASON} characters: what is done, and what is left.`;
    if (installers.length >= MOST) return `The work changes hands at most ${MOST} times.`;
    return { installers: [...installers, { kind, name, license, from: at, by: person.name, words: said }] };
  },
};
